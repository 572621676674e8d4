import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { CAREFUL_C } from '@mellow-anvil/core/plan';
import type { AtWheel } from '../../data/wheel-passes';
import { StoneGlyph } from '../../drawings/stone-glyph';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';

/** The grinding a plan begins with: how much, how near the edge, in what passes. */
@Component({
  selector: 'ma-grinding-step',
  imports: [StoneGlyph, Why],
  template: `
    <ma-stone-glyph [kind]="at().wheel.kind" [lubricant]="at().wheel.lubricant" />
    <div class="name">
      <b>First the wheel: {{ at().wheel.name }}</b>
      <span>
        {{ steel() }}
        <ma-why of="the grinding" [reason]="reason()" />
      </span>
    </div>
    @if (at().run.passes; as passes) {
      <p class="passes figure">
        {{ passes }}
        <small>
          {{ passes === 1 ? 'pass' : 'passes' }} of {{ figures.number(at().run.passS ?? 0, 0) }} s
        </small>
      </p>
    }
    <ol>
      @for (line of lines(); track $index) {
        <li>{{ line }}</li>
      }
    </ol>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 56px minmax(0, 1fr) auto;
      gap: 0.4rem 0.9rem;
      align-items: center;
      padding: 0.45rem 0;
      border-bottom: 1px solid var(--line);
    }
    .name {
      display: grid;
    }
    .passes {
      font-size: 1.9rem;
      line-height: 1.1;
    }
    small {
      font-size: 1rem;
      font-weight: 400;
      color: var(--muted);
    }
    ol {
      grid-column: 2 / -1;
      margin: 0;
      padding-left: 1.2rem;
      font-size: 0.95rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GrindingStepCard {
  readonly at = input.required<AtWheel>();
  protected readonly figures = inject(Figures);

  protected readonly steel = computed(() => {
    const { removeMm3, stopShortMm } = this.at().grinding;
    return `${this.figures.number(removeMm3, 0)} mm³ off the primary, to ${this.figures.length(stopShortMm)} from the edge.`;
  });

  protected readonly lines = computed(() => {
    const { grinding, work } = this.at();
    return [
      work.kind === 'wet-wheel'
        ? 'Fill the trough; set the bar by its gap, or by your gauge block.'
        : 'Dress the wheel; set the rest by your template, wheel stopped. Eyes covered, guards on.',
      this.passWords(),
      `Middle first, tip and corners last; stop ${this.figures.length(grinding.stopShortMm)} short of the edge: the stone does the rest. Do not polish what gets a secondary.`,
    ];
  });

  protected readonly reason = computed((): Reason => {
    const { grinding, work } = this.at();
    const { removeMm3, landBeforeMm, stopShortMm, pushN } = grinding;
    return {
      formula:
        'Steel = δ·t − [A(e of the land) − A(e left)], and the hollow a wheel makes; contact = steel × 40 J/mm³ ÷ (push × drag 0.4 × rim speed); a pass is as long as the heat model allows.',
      inputs: [
        `land ${this.figures.length(landBeforeMm)} down to ${this.figures.length(stopShortMm)}`,
        `${this.figures.number(removeMm3, 1)} mm³, push ${this.figures.number(pushN)} N, rim ${this.figures.number(work.rimMs, 1)} m/s`,
        `kept under ${this.figures.number(CAREFUL_C, 0)} °C: half the way to plain steel’s tempering`,
      ],
      source:
        'Geometry checked against polygon areas; heat by finite differences; energies from handbooks, from memory.',
      sure: 'The steel is sure; minutes and passes to perhaps a factor of two. The wheel decides, not the screen.',
    };
  });

  private passWords(): string {
    const { grinding, work, run } = this.at();
    const { passes, passS = 0, dipS = 0 } = run;
    if (passes === undefined) return 'One light pass after another.';
    // The minutes of the plan, so that its total is what is told here.
    const all = `about ${this.figures.minutes(grinding.minutes)} in all`;
    if (work.kind === 'wet-wheel') return `Keep it moving across the whole wheel, ${all}; look often.`;
    const each = `${passes === 1 ? 'One light pass' : `${String(passes)} light passes`} of at most ${this.figures.number(passS, 0)} s`;
    return `${each}, a dip of ${this.figures.number(Math.max(1, dipS), 0)} s after each, ${all}. Too hot to hold is too hot: dip sooner.`;
  }
}
