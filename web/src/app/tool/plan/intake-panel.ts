import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { isWheel, type OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import { GRINDING_PUSH_N, STOP_SHORT_MM } from '@mellow-anvil/core/grinding';
import { intake, type IntakeLine, type PlanRequest, ROUNDING_DEG } from '@mellow-anvil/core/plan';
import { asItStands, type EdgeState } from '@mellow-anvil/core/record';
import { asRound, tipsFor } from '@mellow-anvil/core/work';
import { Figures } from '../../ui/figures';
import { FAULT_WORDS, TREATMENT_WORDS } from '../../words/condition-words';
import type { FieldChange } from '../../platform/change';

/** What the condition comes to: the word, the arithmetic behind it, and the other ways one choice away. */
@Component({
  selector: 'ma-intake',
  imports: [Button],
  template: `
    @if (taken(); as t) {
      <section aria-label="What it needs">
        <p class="needs">
          <b class="word">{{ verdict().word }}</b>
          <span>{{ verdict().why }}</span>
        </p>
        <details>
          <summary>{{ short() }}</summary>
          <ul>
            @for (line of lines(); track line.text) {
              <li>
                <span>{{ line.text }}</span>
                <b class="figure">{{ line.figure }}</b>
              </li>
            }
            <li class="sum">
              <span>{{ sum() }}</span>
              <b class="figure">{{ figures.number(t.job.removeMm3, 2) }} mm³</b>
            </li>
          </ul>
        </details>
        @if (ways().length) {
          <p class="ways">
            @for (way of ways(); track way.label) {
              <p-button
                [label]="way.label"
                severity="secondary"
                [outlined]="true"
                size="small"
                (onClick)="asked.emit(way.change)"
              />
            }
          </p>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 1rem;
      align-items: center;
      background: var(--panel);
      border-left: var(--mark) solid var(--leather);
      padding: 0.3rem 0.8rem;
    }
    .needs {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0.3rem 0.9rem;
      margin: 0;
    }
    .word {
      font-size: 1.4rem;
    }
    details[open] {
      flex: 1 1 100%;
    }
    summary {
      cursor: pointer;
      min-height: 34px;
      padding: 0.3rem 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      max-width: 46rem;
    }
    li {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 1rem;
      padding: 0.1rem 0;
    }
    .sum {
      border-top: 1px solid var(--line);
      margin-top: 0.2rem;
    }
    .figure {
      font-variant-numeric: tabular-nums;
    }
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class IntakePanel {
  readonly tool = input.required<Tool>();
  readonly request = input.required<PlanRequest>();
  readonly state = input<EdgeState>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  readonly asked = output<FieldChange<PlanRequest>>();

  protected readonly figures = inject(Figures);

  private readonly standing = computed(() => asItStands(this.tool(), this.state()));
  /** What its own burrs have shown of its tip, where only a word says how round it is. */
  private readonly tips = computed(() => tipsFor(this.request().condition, this.standing().tips));
  protected readonly taken = computed(() => {
    const { edge } = this.standing();
    const { condition, landMm } = this.request();
    return unlessRefused(() => intake(edge, asRound(condition, this.tips()), landMm));
  });
  /** What is done about it: what it needs, unless the plan goes by the wheel all the same. */
  protected readonly verdict = computed(() => {
    const { treatment = 'hone', why = '' } = this.taken() ?? {};
    return this.request().grind && (treatment === 'hone' || treatment === 'strop')
      ? { word: TREATMENT_WORDS.regrind, why: 'The wheel takes the land back first; then the stones.' }
      : { word: TREATMENT_WORDS[treatment], why };
  });
  protected readonly lines = computed(() => this.taken()?.lines.map((line) => this.said(line)) ?? []);

  protected readonly short = computed(() => {
    const job = this.taken()?.job;
    return job
      ? `At least ${this.figures.sliver(job.recessionMm)} back, ${this.figures.number(job.removeMm3, 2)} mm³ of steel: the arithmetic`
      : '';
  });

  protected readonly sum = computed(() => {
    const job = this.taken()?.job;
    if (!job) return '';
    const land = job.wholeBevel
      ? 'over the whole bevel'
      : `the land ${this.figures.length(job.landBeforeMm)} → ${this.figures.length(job.landAfterMm)}`;
    return `Together the edge goes back ${this.figures.sliver(job.recessionMm)}, ${land}: steel to take`;
  });

  /** What is not what the plan does now. */
  protected readonly ways = computed(() => {
    const [taken, { stropOnly, grind }] = [this.taken(), this.request()];
    const wheel = this.stones().find(isWheel);
    const strop = this.stones().some(({ kind }) => kind === 'strop');
    const ground =
      wheel && this.tool().edge.form === 'single-bevel'
        ? { wheelId: wheel.id, stopShortMm: STOP_SHORT_MM, pushN: GRINDING_PUSH_N }
        : undefined;
    const wants = taken?.treatment === 'regrind' || taken?.treatment === 'repair';
    return [
      ...(stropOnly || grind
        ? [{ label: 'Hone it on the stones', change: { stropOnly: false, grind: undefined } }]
        : []),
      ...(wants && ground && !grind
        ? [{ label: 'Grind it first', change: { stropOnly: false, grind: ground } }]
        : []),
      ...(strop && !stropOnly && taken?.treatment === 'strop'
        ? [{ label: 'Only strop it', change: { stropOnly: true, grind: undefined } }]
        : []),
    ];
  });

  private said(line: IntakeLine): { readonly text: string; readonly figure: string } {
    const back = (mm: number): string => `${this.figures.sliver(mm)} back`;
    switch (line.what) {
      case 'tip':
        return {
          text: `Tip ${this.figures.number(line.radiusUm, 1)} µm round${this.tips() ? ' by its own burrs' : line.measured ? '' : ' by the word'}, on ${this.figures.angle(line.includedDeg)}: radius × cot ${this.figures.angle(line.includedDeg / 2)}`,
          figure: back(line.recessionMm),
        };
      case 'nick':
      case 'pits':
      case 'overheated': {
        const name = { nick: 'The nick', pits: 'The pits', overheated: 'Lost temper' }[line.what];
        const covered = line.counts ? ', the whole edge with it' : ', gone before the deeper fault is';
        return { text: `${name}${covered}`, figure: back(line.recessionMm) };
      }
      case 'out-of-square':
        return {
          text: 'Out of square: one corner goes back further, the steel is a wedge',
          figure: `${back(line.recessionMm)} at one corner`,
        };
      case 'rounded-over':
        return {
          text: `Rounded for ${this.figures.length(line.overMm)}, taken as ${ROUNDING_DEG}° steeper: the face sinks by length × sin ${ROUNDING_DEG}°`,
          figure: `${this.figures.sliver(line.sinkMm)} down`,
        };
      case 'wide-land':
        return { text: 'The land is wide: every honing takes more steel', figure: '' };
      case 'corners-ahead':
      case 'middle-ahead':
      case 'tooth':
      case 'notch':
      case 'hook-left':
      case 'hook-right':
        return {
          text: `${FAULT_WORDS[line.what].label}: each part back by what it stands ahead · thickness · its length`,
          figure: `${this.figures.sliver(line.aheadMm)} ahead`,
        };
      case 'unsharpened':
        return {
          text: `${this.figures.length(line.thickMm)} thick where the edge will be: facets ${this.figures.length(line.facetMm)} long; of each side ½ · half the thickness · the way back to its heel · length`,
          figure: `${this.figures.number(line.mm3, 1)} mm³ to hone`,
        };
      case 'wrong-angle':
        return {
          text: `Bevel found at ${this.figures.angle(line.foundDeg)}, wanted ${this.figures.angle(line.wantedDeg)}: ½ · thickness² · difference of cotangents · width`,
          figure: line.mm3 > 0 ? `${this.figures.number(line.mm3, 1)} mm³ to grind` : 'honed steeper',
        };
    }
  }
}
