import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { FrontLine } from '@mellow-anvil/core/blade';
import { planedBoard, shavingSection } from '@mellow-anvil/core/camber';
import { Figures } from '../ui/figures';

const VIEW = { width: 520, height: 236 } as const;
const SHAVING = { left: 40, width: 440, base: 78, high: 52 } as const;
const BOARD = { left: 16, width: 488, top: 122, deep: 66 } as const;

/** The shaving's own section, and under it the board that passes side by side leave, heights exaggerated alike. */
@Component({
  selector: 'ma-shaving-drawing',
  template: `
    @if (drawing(); as d) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="d.words">
        <text x="16" y="18">the shaving</text>
        <text x="504" y="18" text-anchor="end">{{ d.shavingText }}</text>
        <path class="shaving" [attr.d]="d.shaving" />
        <text x="16" [attr.y]="boardY - 10">the board between passes</text>
        <text x="504" [attr.y]="boardY - 10" text-anchor="end">{{ d.ridgeText }}</text>
        <path class="wood" [attr.d]="d.board" />
        <text x="16" [attr.y]="view.height - 8">{{ d.factorText }}</text>
      </svg>
    }
  `,
  styleUrl: './plot.css',
  styles: `
    .shaving {
      fill: var(--leather);
      opacity: 0.75;
    }
    .wood {
      fill: var(--line);
      stroke: var(--leather);
      stroke-width: 2;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShavingDrawing {
  readonly front = input.required<FrontLine>();
  readonly widthMm = input.required<number>();
  readonly bedDeg = input.required<number>();
  readonly shavingMm = input.required<number>();
  readonly passStepMm = input.required<number>();
  protected readonly view = VIEW;
  protected readonly boardY = BOARD.top;
  private readonly figures = inject(Figures);

  protected readonly drawing = computed(() => {
    const asked = {
      front: this.front(),
      widthMm: this.widthMm(),
      bedDeg: this.bedDeg(),
      shavingMm: this.shavingMm(),
    };
    const passStepMm = Math.min(this.passStepMm(), asked.widthMm);
    const section = unlessRefused(() => shavingSection(asked));
    const board = unlessRefused(() => planedBoard({ ...asked, passStepMm }));
    if (!section || !board) return undefined;
    const across = SHAVING.width / asked.widthMm;
    const up = SHAVING.high / asked.shavingMm;
    const x = (mm: number): string => (SHAVING.left + (mm + asked.widthMm / 2) * across).toFixed(1);
    const tops = section.across.map(
      ({ atMm, thickMm }) => `${x(atMm)} ${(SHAVING.base - thickMm * up).toFixed(1)}`,
    );
    const [first, last] = [board.across[0], board.across.at(-1)];
    if (!first || !last) return undefined;
    const wide = BOARD.width / (last.atMm - first.atMm);
    const deep = (BOARD.deep * 0.6) / asked.shavingMm;
    const surface = board.across.map(
      ({ atMm, deepMm }) =>
        `${(BOARD.left + (atMm - first.atMm) * wide).toFixed(1)} ${(BOARD.top + 10 + deepMm * deep).toFixed(1)}`,
    );
    const bottom = BOARD.top + 10 + BOARD.deep;
    const ridge = board.ridgeMm;
    return {
      shaving: `M${x(-asked.widthMm / 2)} ${SHAVING.base}L${tops.join('L')}L${x(asked.widthMm / 2)} ${SHAVING.base}Z`,
      board: `M${BOARD.left} ${bottom}L${surface.join('L')}L${BOARD.left + BOARD.width} ${bottom}Z`,
      shavingText: `${this.figures.length(section.widthMm, 1)} wide${section.shoulderMm > 0.0005 ? `, square shoulders ${this.figures.sliver(section.shoulderMm)}` : ', feathers out'}`,
      ridgeText: `ridges ${this.figures.sliver(ridge)} high`,
      factorText: `thickness drawn × ${this.figures.number(up / across, 0)}, the board × ${this.figures.number(deep / wide, 0)}`,
      words: `The shaving ${this.figures.length(section.widthMm, 1)} wide and ${this.figures.length(asked.shavingMm, 3)} thick in the middle; ridges between passes ${this.figures.sliver(ridge)} high`,
    };
  });
}
