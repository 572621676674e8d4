import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import type { StonesRecord } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { FAMILY_NAMES, type Family, familyFacts } from '@mellow-anvil/core/blade';
import { type OldEdge, oldEdge } from '@mellow-anvil/core/plan';
import { AbrasivesStore } from '../../data/abrasives.store';
import { toLocal } from '../../data/blank-entry';
import { Desk } from '../../data/desk';
import { RecordsStore } from '../../data/records.store';
import { StonesStore } from '../../data/stones.store';
import { ToolsStore } from '../../data/tools.store';
import { OldEdgeDrawing } from '../../drawings/old-edge-drawing';
import { Notices } from '../../platform/notices';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import { LOOKS, REASON_WORDS, VERDICT_WORDS, WORK_WORDS } from '../../words/old-edge-words';

/** A drawknife as it often lies on a table at a market (estimates). */
const AS_OFTEN: OldEdge = {
  family: 'drawknife',
  steel: 'laminated',
  handles: 'sound',
  blade: 'whole',
  rust: 'skin',
  line: 'straight',
  edgeMm: 200,
  thicknessMm: 5,
  backMm: 25,
  hardMm: 12,
  nickMm: 0.5,
  pitsMm: 0.1,
  rimPitsMm: 0.05,
};

/** How far a back reaches, and hard steel behind its edge, where nobody measured (estimates). */
const SIZES = {
  drawknife: { backMm: 25, hardMm: 12 },
  chisel: { backMm: 110, hardMm: 60 },
  iron: { backMm: 40, hardMm: 35 },
} as const;
const sizesOf = (family: Family): (typeof SIZES)[keyof typeof SIZES] =>
  SIZES[family === 'drawknife' ? family : family.endsWith('-chisel') ? 'chisel' : 'iron'];

/** How often such an edge is honed in a year, where no like tool says (estimate). */
const USUAL_HONINGS = 6;

type Measure = Exclude<keyof OldEdge, 'family' | 'steel' | 'handles' | 'blade' | 'rust' | 'line'>;
const MEASURES: readonly { readonly of: Measure; readonly label: string; readonly hint: string }[] = [
  { of: 'edgeMm', label: 'Length of its edge', hint: '' },
  { of: 'backMm', label: 'Flat back, edge to far side', hint: '' },
  { of: 'thicknessMm', label: 'Thickness', hint: '' },
  { of: 'hardMm', label: 'Hard steel behind the edge', hint: 'To where the temper ends' },
  { of: 'nickMm', label: 'Deepest nick', hint: 'Or how hollow it is worn' },
  { of: 'pitsMm', label: 'Deepest pit', hint: 'A hair lies in 0.1 mm' },
  { of: 'rimPitsMm', label: 'Deepest near the edge', hint: 'Within some 3 mm' },
];

/** Before money: what an old edge comes to on one’s own bench, from what eyes, a thumb and a rule find standing up. */
@Component({
  selector: 'ma-old-edge',
  imports: [
    Button,
    ButtonDirective,
    ChoiceField,
    FormsModule,
    OldEdgeDrawing,
    QuantityField,
    RouterLink,
    SelectButton,
    Why,
  ],
  templateUrl: './old-edge.page.html',
  styleUrl: './old-edge.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OldEdgePage {
  private readonly tools = inject(ToolsStore);
  private readonly desk = inject(Desk);
  private readonly router = inject(Router);
  private readonly notices = inject(Notices);
  protected readonly figures = inject(Figures);
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly record = toSignal(inject(StonesStore).record$, { initialValue: {} as StonesRecord });
  private readonly records = toSignal(inject(RecordsStore).records$);
  private readonly owned = toSignal(this.tools.items$, { initialValue: [] });

  protected readonly measures = MEASURES;
  protected readonly verdicts = VERDICT_WORDS;
  protected readonly works = WORK_WORDS;
  protected readonly families = FAMILY_NAMES.filter(
    (family) => familyFacts(family).form === 'single-bevel',
  ).map((value) => ({ value, label: familyFacts(value).label }));
  protected readonly old = signal<OldEdge>(AS_OFTEN);
  protected readonly sending = signal(false);

  /** As often as like tools here are honed. */
  private readonly honingsPerYear = computed(() => {
    const like = this.owned()
      .filter(({ family }) => family === this.old().family)
      .flatMap(({ id }) => this.records()?.[id]?.honingsPerYear ?? []);
    return like.length > 0 ? like.reduce((sum, each) => sum + each, 0) / like.length : USUAL_HONINGS;
  });

  private readonly looked = computed(() =>
    attempt(() => oldEdge(this.old(), this.stones(), this.honingsPerYear(), this.record())),
  );
  protected readonly found = computed(() => {
    const looked = this.looked();
    return looked instanceof Refusal ? undefined : looked;
  });
  protected readonly refusal = computed(() => {
    const looked = this.looked();
    return looked instanceof Refusal ? looked : undefined;
  });
  protected readonly reasons = computed(() =>
    (this.found()?.reasons ?? []).map((reason) => REASON_WORDS[reason]),
  );

  protected readonly takes = computed(() => {
    const found = this.found();
    if (!found) return '';
    const { minutes, lowMin, highMin } = found;
    return `${this.figures.minutes(minutes)}, ${this.figures.minutes(lowMin)} to ${this.figures.minutes(highMin)} in four cases of five`;
  });
  protected readonly years = computed(() => {
    const { low = 0, high = 0 } = this.found()?.years ?? {};
    const whole = (years: number): string =>
      years > MOST_YEARS
        ? `over ${String(MOST_YEARS)}`
        : this.figures.number(Number(years.toPrecision(2)), 1);
    return low > MOST_YEARS ? whole(low) : `${whole(low)} to ${whole(high)}`;
  });

  protected see(change: Partial<OldEdge>): void {
    this.old.update((old) => ({ ...old, ...change }));
  }

  protected seen(of: (typeof LOOKS)[number]['of'], value: string): void {
    this.see({ [of]: value });
  }

  protected measured(of: Measure, value: number | undefined): void {
    this.see({ [of]: value ?? NaN });
  }

  protected choose(family: Family): void {
    const { widthMm, thicknessMm } = familyFacts(family);
    this.see({ family, edgeMm: widthMm, thicknessMm, handles: 'sound', ...sizesOf(family) });
  }

  /** What is asked of this family; irons have no handles. */
  protected readonly looks = computed(() =>
    LOOKS.filter(({ of }) => of !== 'handles' || !this.old().family.endsWith('-iron')),
  );

  /** Bought: on the rack with what was seen, its plan asked for. */
  protected take(): void {
    const found = this.found();
    if (!found?.taken) return;
    const { taken, verdict, minutes, recessionMm, leftMm, years } = found;
    this.sending.set(true);
    const bought = {
      on: toLocal(new Date().toISOString()).slice(0, 10),
      verdict,
      minutes,
      recessionMm,
      leftMm,
      yearsLow: years.low,
      yearsHigh: years.high,
    };
    this.tools.create({ ...taken.tool, bought }).subscribe({
      next: ({ id, name }) => {
        this.notices.done(`${name} is on the rack.`);
        this.desk.takeUp(id);
        const { condition, oldBack, grind } = taken.request;
        this.desk.ask({ condition, oldBack, ...(grind && { grind }), stropOnly: false });
        void this.router.navigate(['/tools', id, 'plan']);
      },
      error: (reason: unknown) => {
        this.sending.set(false);
        this.notices.refused(reason);
      },
    });
  }

  protected readonly reason: Reason = {
    formula:
      'The minutes are the plan’s that would be walked: its back hollowed or flattened whole, the edge ground or honed past its nick, whichever is soonest; rust and handles beside. Years: hard steel left over what the honings of a year take.',
    inputs: ['Your own stones and wheels, at the rates they have shown.', 'Rust and handles: estimates.'],
    source: 'docs/formulas.md: an old edge before money. Common practice, no source, for what to look at.',
    sure: 'Good to perhaps a factor of two. Under rust nobody sees; a lens finds what the eye misses.',
  };
}

/** Longer than this nobody asks. */
const MOST_YEARS = 200;
