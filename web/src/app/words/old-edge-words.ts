import type { OldEdge, OldEdgeFound, OldReason, OldVerdict } from '@mellow-anvil/core/plan';

export const VERDICT_WORDS: Readonly<Record<OldVerdict, string>> = {
  user: 'A user',
  project: 'A project',
  leave: 'Leave it',
};

/** Common practice, no source. */
export const REASON_WORDS: Readonly<Record<OldReason, string>> = {
  hammered: 'Its back was struck with a hammer: steel that was driven up cracks, and never lies flat again.',
  bent: 'It is bent or cracked: that is a smith’s work, not a stone’s.',
  'steel-gone': 'Too little hard steel would be left to sharpen.',
  'too-long': 'More work than most would give it.',
  'no-plan': 'Nothing on your bench would make this edge.',
  'broken-handles': 'It wants new handles.',
  'loose-handles': 'The handles want tightening before it is pulled.',
  scale: 'Under scale there are pits the eye misses: feel for them with a needle, look with a lens.',
  swept: 'A swept edge is honed in parts, or with the stone brought to it.',
  'two-planes': 'Curved in two planes, it may lie flat on its bevel all the same: colour it and see.',
  short: 'Shorter than most like; 150 to 205 mm suits most hands.',
  long: 'Longer than most like; 150 to 205 mm suits most hands.',
};

export const WORK_WORDS: Readonly<Record<OldEdgeFound['work'][number]['what'], string>> = {
  rust: 'Rust off',
  handles: 'Handles',
  hollow: 'Back hollowed at the wheel',
  back: 'Back polished',
  nick: 'Ground past the nick',
  edge: 'First edge',
};

/** What may be seen of it, in the words of the trade. */
export const LOOKS = [
  {
    of: 'handles',
    label: 'Handles',
    choices: [
      { value: 'sound', label: 'Tight' },
      { value: 'loose', label: 'Loose' },
      { value: 'broken', label: 'Broken, gone' },
    ],
  },
  {
    of: 'blade',
    label: 'Blade',
    choices: [
      { value: 'whole', label: 'Whole' },
      { value: 'hammered', label: 'Hammered' },
      { value: 'bent', label: 'Bent, cracked' },
    ],
  },
  {
    of: 'rust',
    label: 'Rust',
    choices: [
      { value: 'none', label: 'None' },
      { value: 'skin', label: 'A skin' },
      { value: 'scale', label: 'Scale' },
    ],
  },
  {
    of: 'line',
    label: 'Edge',
    choices: [
      { value: 'straight', label: 'Straight' },
      { value: 'swept', label: 'Swept' },
      { value: 'two-planes', label: 'In two planes' },
    ],
  },
] as const satisfies readonly LookOf<keyof OldEdge>[];

interface LookOf<K extends keyof OldEdge> {
  readonly of: K;
  readonly label: string;
  readonly choices: readonly { readonly value: OldEdge[K]; readonly label: string }[];
}
