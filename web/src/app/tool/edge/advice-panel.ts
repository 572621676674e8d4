import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { inOrder, kindFacts, servesShape } from '@mellow-anvil/core/abrasive';
import {
  angleAdvice,
  finishAdvice,
  type Job,
  JOBS,
  timberCalled,
  TIMBERS,
  usualJob,
} from '@mellow-anvil/core/advice';
import {
  backBevelDeg,
  type Edge,
  includedDeg,
  type Steel,
  STEEL_NAMES,
  STEELS,
  type Tool,
} from '@mellow-anvil/core/blade';
import type { ToolRecord } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';

const JOB_WORDS: Readonly<Record<Job, string>> = {
  paring: 'Paring',
  carving: 'Carving',
  smoothing: 'Smoothing',
  jointing: 'Jointing',
  chopping: 'Chopping',
  roughing: 'Roughing',
};
/** An edge this near to the advice is left as it is. */
const LEAVE_DEG = 0.75;
/** Where the record names no wood the table has. */
const WOOD_TO_BEGIN = 'White oak';

/** Which angle, and how fine: from steel, wood, job and what this tool's record says of chips. */
@Component({
  selector: 'ma-advice-panel',
  imports: [Button, Checkbox, ChoiceField, FormsModule],
  templateUrl: './advice-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    ma-choice {
      min-width: 11rem;
    }
    .check {
      display: flex;
      gap: 0.6rem;
      align-items: center;
      align-self: end;
      min-height: var(--touch);
    }
    dd.range {
      font-size: 1.3rem;
      line-height: 1.6;
    }
    section {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    section p,
    h3 {
      margin: 0;
    }
    h3 {
      padding-top: 0.5rem;
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    caption {
      text-align: left;
      font-weight: 700;
      padding-bottom: 0.3rem;
    }
    td {
      padding: 0.3rem 0.6rem 0.3rem 0;
      border-top: 1px solid var(--line);
      vertical-align: top;
    }
    .by {
      font-weight: 700;
      white-space: nowrap;
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    small {
      color: var(--muted);
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AdvicePanel {
  readonly tool = input.required<Tool>();
  readonly edge = input.required<Edge>();
  readonly record = input<ToolRecord>();
  /** Figures of the edge that the advice would have. */
  readonly chosen = output<object>();
  /** A finish to plan to, µm. */
  readonly finishChosen = output<number>();

  protected readonly figures = inject(Figures);
  private readonly abrasives = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  protected readonly woods = TIMBERS.map(({ name, sideHardnessLbf }) => ({
    value: name,
    label: `${name} (${sideHardnessLbf})`,
  }));
  protected readonly jobs = JOBS.map((value) => ({ value, label: JOB_WORDS[value] }));
  protected readonly steels = STEEL_NAMES.map((value) => ({ value, label: STEELS[value].label }));
  private readonly usedIn = computed(() => timberCalled(this.record()?.lastUse?.use.wood ?? '')?.name);
  protected readonly wood = linkedSignal(() => this.usedIn() ?? WOOD_TO_BEGIN);
  protected readonly job = linkedSignal<Job>(() => usualJob(this.tool().family));
  protected readonly steel = linkedSignal<Steel>(() => this.tool().steel);
  protected readonly figured = signal(false);

  private readonly work = computed(() => ({
    family: this.tool().family,
    job: this.job(),
    sideHardnessLbf: TIMBERS.find(({ name }) => name === this.wood())?.sideHardnessLbf ?? 1000,
    figured: this.figured(),
  }));
  /** How this tool's edges fared, in wood as hard as it cut on average. */
  private readonly fared = computed(() => {
    const chips = this.record()?.chips;
    if (!chips || chips.edges === 0) return undefined;
    const cut = Object.entries(chips.inWood).flatMap(([wood, { edges }]) => {
      const timber = timberCalled(wood);
      return timber ? [{ edges, lbf: timber.sideHardnessLbf }] : [];
    });
    const counted = cut.reduce((sum, { edges }) => sum + edges, 0);
    const sideHardnessLbf =
      counted === 0
        ? this.work().sideHardnessLbf
        : cut.reduce((sum, { edges, lbf }) => sum + edges * lbf, 0) / counted;
    const { edges, chipped, settingDeg } = chips;
    const edge = this.edge();
    // They fared at the angles they were honed at, not at one that was only just chosen.
    const includedDeg =
      edge.form === 'single-bevel' && settingDeg !== undefined
        ? settingDeg + backBevelDeg(edge)
        : this.presentDeg();
    return { edges, chipped, includedDeg, sideHardnessLbf, steel: this.tool().steel };
  });
  private readonly presentDeg = computed(() => Number(includedDeg(this.edge()).toFixed(1)));
  protected readonly advice = computed(() => {
    const { host } = this.tool();
    const record = this.fared();
    return angleAdvice({
      ...this.work(),
      steel: this.steel(),
      ...(host && { host }),
      ...(record && { record }),
    });
  });
  protected readonly finish = computed(() => finishAdvice(this.work()));
  protected readonly stone = computed(() => {
    const { finishUm } = this.finish();
    const fits = inOrder(this.abrasives()).filter(
      (each) => servesShape(each, 'straight') && !kindFacts(each.kind).strop,
    );
    const coarsest = fits.find(({ sizeUm }) => sizeUm <= finishUm);
    const finest = fits.at(-1);
    if (coarsest)
      return {
        finishUm,
        words: `On your bench: end on “${coarsest.name}” (${this.figures.number(coarsest.sizeUm, 1)}\u00a0µm).`,
      };
    return finest
      ? {
          finishUm: finest.sizeUm,
          words: `Your finest, “${finest.name}” (${this.figures.number(finest.sizeUm, 1)}\u00a0µm), is coarser: it will serve, not as well.`,
        }
      : { finishUm, words: 'There is nothing on your bench to end on yet.' };
  });

  protected readonly verdict = computed(() => {
    const { angleDeg, leastDeg, mostDeg } = this.advice();
    const present = this.presentDeg();
    const is = `It is ${this.figures.angle(present)} now`;
    if (Math.abs(present - angleDeg) < LEAVE_DEG) return `${is}: leave it.`;
    return present >= leastDeg && present <= mostDeg
      ? `${is}, within the range: the same setting every time matters more than a degree.`
      : `${is}, ${present < angleDeg ? 'more acute than this work lets stand' : 'steeper than this work asks for'}.`;
  });

  /** The edge's figures for the advised included angle, what its back takes left out. */
  protected readonly apply = computed(() => {
    const edge = this.edge();
    const { angleDeg } = this.advice();
    if (Math.abs(this.presentDeg() - angleDeg) < LEAVE_DEG) return undefined;
    if (edge.form === 'single-bevel') {
      const under = includedDeg(edge) - (edge.microDeg ?? edge.secondaryDeg ?? edge.primaryDeg);
      const honed = Math.round((angleDeg - under) * 2) / 2;
      if (edge.secondaryDeg === undefined)
        return { label: `Set it to ${this.figures.angle(honed)}`, edge: { primaryDeg: honed } };
      if (honed <= edge.primaryDeg) return undefined;
      return {
        label: `Set the secondary to ${this.figures.angle(honed)}${edge.microDeg === undefined ? '' : ', without the micro-bevel'}`,
        edge: { secondaryDeg: honed, microDeg: undefined, microLandMm: undefined },
      };
    }
    if (edge.form === 'double-bevel' || edge.form === 'knife') {
      const half = angleDeg / 2;
      return {
        label: `Set each side to ${this.figures.angle(half, 2)}`,
        edge: { leftDeg: half, rightDeg: half },
      };
    }
    return undefined;
  });

  /** The first reason is where it starts from; the others move it. */
  protected by(index: number, deg: number): string {
    const written = this.figures.angle(deg);
    return index === 0 || deg <= 0 ? written : `+${written}`;
  }
}
