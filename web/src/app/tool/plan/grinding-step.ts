import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, filter, map, of, switchMap } from 'rxjs';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { SingleBevelEdge, Tool } from '@mellow-anvil/core/blade';
import {
  contactMin,
  grindingPasses,
  type GrindingPasses,
  HEAT_LIMITS,
  heatedWidthMm,
  ROOM_C,
  wheelAtWork,
} from '@mellow-anvil/core/grinding';
import type { GrindingStep, RunGrinding } from '@mellow-anvil/core/plan';
import { StoneGlyph } from '../../drawings/stone-glyph';
import { Figures } from '../../ui/figures';
import { HeavyWork } from '../../platform/heavy-work';
import { Why, type Reason } from '../../ui/why';

/** Half the way from the room to plain steel's tempering: the model is good to a factor of two. */
const CAREFUL_C = (ROOM_C + HEAT_LIMITS['usual-tempering']) / 2;

/** The grinding a plan begins with: how much, how near the edge, in what passes. */
@Component({
  selector: 'ma-grinding-step',
  imports: [StoneGlyph, Why],
  template: `
    <ma-stone-glyph [kind]="wheel().kind" [lubricant]="wheel().lubricant" />
    <div class="name">
      <b>First the wheel: {{ wheel().name }}</b>
      <span>
        {{ steel() }}
        <ma-why of="the grinding" [reason]="reason()" />
      </span>
    </div>
    @if (worked(); as w) {
      <p class="passes figure">
        {{ w.passes }}
        <small>{{ w.passes === 1 ? 'pass' : 'passes' }} of {{ figures.number(w.passS, 0) }} s</small>
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
  readonly tool = input.required<Pick<Tool, 'steel'>>();
  readonly edge = input.required<SingleBevelEdge>();
  readonly grinding = input.required<GrindingStep>();
  readonly wheel = input.required<Abrasive>();
  /** What is taken to the bench of it. */
  readonly planned = output<RunGrinding>();
  protected readonly figures = inject(Figures);
  private readonly heavy = inject(HeavyWork);

  private readonly asked = computed(() => {
    const [grinding, edge] = [this.grinding(), this.edge()];
    const work = unlessRefused(() => wheelAtWork(this.wheel(), grinding.pushN));
    return (
      work && {
        work,
        contact: contactMin(grinding.removeMm3, work),
        heat: {
          bevelDeg: edge.primaryDeg,
          thicknessMm: edge.thicknessMm,
          widthMm: heatedWidthMm(edge.widthMm, work),
          stopShortMm: grinding.stopShortMm,
          pushN: grinding.pushN,
          rimMs: work.rimMs,
          steel: this.tool().steel,
          limitC: CAREFUL_C,
        },
      }
    );
  });

  protected readonly worked = toSignal(
    toObservable(this.asked).pipe(
      switchMap((asked) => {
        if (!asked) return of(undefined);
        const { work, heat, contact } = asked;
        // Water runs over a wet wheel all the while: heat sets no limit to a pass.
        if (work.kind === 'wet-wheel') return of({ ...grindingPasses(contact, undefined, 0), dipS: 0 });
        return this.heavy.run('wedgeHeat', heat).pipe(
          filter((news) => 'value' in news),
          map(({ value: { passS, dipS } }) => ({ ...grindingPasses(contact, passS, dipS), dipS })),
          catchError(() => of(undefined)),
        );
      }),
    ),
  );

  protected readonly steel = computed(() => {
    const { removeMm3, stopShortMm } = this.grinding();
    return `${this.figures.number(removeMm3, 0)} mm³ off the primary, to ${this.figures.length(stopShortMm)} from the edge.`;
  });

  protected readonly lines = computed(() => {
    const { stopShortMm } = this.grinding();
    const worked = this.worked();
    const wet = this.asked()?.work.kind === 'wet-wheel';
    const passes = worked ? this.passWords(worked, worked.dipS, wet) : 'One light pass after another.';
    return [
      wet
        ? 'Fill the trough; set the bar by its gap, or by your gauge block.'
        : 'Dress the wheel; set the rest by your template, wheel stopped. Eyes covered, guards on.',
      passes,
      `Middle first, tip and corners last; stop ${this.figures.length(stopShortMm)} short of the edge: the stone does the rest. Do not polish what gets a secondary.`,
    ];
  });

  constructor() {
    effect(() => {
      const { wheelId, stopShortMm } = this.grinding();
      const worked = this.worked();
      this.planned.emit({
        wheelId,
        stopShortMm,
        ...(worked && { passes: worked.passes, passS: Number(worked.passS.toFixed(1)) }),
        ...(worked && worked.dipS > 0 && { dipS: Number(worked.dipS.toFixed(1)) }),
      });
    });
  }

  protected reason(): Reason {
    const { removeMm3, landBeforeMm, stopShortMm, pushN } = this.grinding();
    const asked = this.asked();
    return {
      formula:
        'Steel = δ·t − [A(e of the land) − A(e left)], and the hollow a wheel makes; contact = steel × 40 J/mm³ ÷ (push × drag 0.4 × rim speed); a pass is as long as the heat model allows.',
      inputs: [
        `land ${this.figures.length(landBeforeMm)} down to ${this.figures.length(stopShortMm)}`,
        `${this.figures.number(removeMm3, 1)} mm³, push ${this.figures.number(pushN)} N, rim ${this.figures.number(asked?.work.rimMs ?? 0, 1)} m/s`,
        `kept under ${this.figures.number(CAREFUL_C, 0)} °C: half the way to plain steel’s tempering`,
      ],
      source:
        'Geometry checked against polygon areas; heat by finite differences; energies from handbooks, from memory.',
      sure: 'The steel is sure; minutes and passes to perhaps a factor of two. The wheel decides, not the screen.',
    };
  }

  private passWords({ passes, passS, minutes }: GrindingPasses, dipS: number, wet: boolean): string {
    const all = `about ${this.figures.minutes(minutes)} in all`;
    if (wet) return `Keep it moving across the whole wheel, ${all}; look often.`;
    const each = `${passes === 1 ? 'One light pass' : `${passes} light passes`} of at most ${this.figures.number(passS, 0)} s`;
    return `${each}, a dip of ${this.figures.number(Math.max(1, dipS), 0)} s after each, ${all}. Too hot to hold is too hot: dip sooner.`;
  }
}
