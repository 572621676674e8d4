import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { Edge, Tool } from '@mellow-anvil/core/blade';
import { curveRolled, hookArcMm, rodFit, rolled, type RolledInput } from '@mellow-anvil/core/curve';
import { hollowOfMm, type RoundFit, roundFits } from '@mellow-anvil/core/plan';
import { AbrasivesStore } from '../../data/abrasives.store';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

/** Wet-and-dry paper round a rod, mm (estimate). */
const PAPER_MM = 0.25;

const FIT_WORDS: Readonly<Record<RoundFit, string>> = {
  fits: 'goes in',
  small: 'goes in, and touches but a narrow strip: more strokes',
  large: 'too large: it touches at two lines only',
};

/** Whether a tool has a curve to be rolled, or a hollow that something round goes into. */
export const isRound = (edge: Edge): boolean =>
  curveRolled(edge) !== undefined || hollowOfMm(edge) !== undefined;

/** How far a curved edge is rolled, and what of the bench goes into its hollow. */
@Component({
  selector: 'ma-roll-panel',
  imports: [QuantityField, Why],
  templateUrl: './roll-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .answer .figure {
      font-size: 2rem;
      font-weight: 700;
    }
    .answer,
    .asked p {
      margin: 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      border-bottom: 1px solid var(--line);
      padding: 0.3rem 0;
    }
    .large {
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RollPanel {
  readonly tool = input.required<Tool>();
  private readonly figures = inject(Figures);
  private readonly bench = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  protected readonly paper = signal<number | undefined>(PAPER_MM);

  private readonly curve = computed((): RolledInput | undefined => {
    const { edge } = this.tool();
    const best = roundFits(edge, this.bench()).find(({ fit }) => fit !== 'large');
    if (edge.form !== 'hook') return curveRolled(edge, best?.radiusMm);
    const hollowMm = hollowOfMm(edge);
    return hollowMm === undefined || !best
      ? undefined
      : {
          radiusMm: hollowMm,
          arcMm: hookArcMm(edge),
          bevelDeg: edge.includedDeg,
          rodRadiusMm: Math.min(best.radiusMm, hollowMm),
        };
  });
  private readonly led = computed(() => this.tool().edge.form === 'hook');
  protected readonly roll = computed(() => {
    const curve = this.curve();
    if (!curve) return undefined;
    const { turnDeg, patchMm, places } = rolled(curve);
    const { figures } = this;
    return {
      turn: figures.angle(Math.round(turnDeg)),
      way: this.led() ? 'round the bend, from end to end' : 'in every stroke, corner to corner',
      words: this.led()
        ? `The tool held still, the rod led round: ${figures.length(patchMm)} of its edge touches at a time. Rocked until both rims are felt at once, that is its angle. Never paper across the edge: it gets cut.`
        : `${figures.length(patchMm)} of it touches at a time: laid in ${places} places it would be covered, a third of each twice; a roll goes through them all and stops where the corner touches${curve.corners === 'eased' ? ' and on over it' : ', not past it'}.`,
    };
  });

  protected readonly hollow = computed(() => {
    const { edge } = this.tool();
    const hollowMm = hollowOfMm(edge);
    if (hollowMm === undefined) return undefined;
    const { figures } = this;
    const paperMm = this.paper() ?? 0;
    const dowel = unlessRefused(() => rodFit({ innerRadiusMm: hollowMm, paperMm }));
    return {
      words: `Its hollow has a radius of ${figures.length(hollowMm)}: what goes in is that or a little less, its paper with it.`,
      dowel: dowel
        ? `A dowel of ${figures.length(dowel.rodDiameterMm)} across, or the next one under it`
        : 'The paper alone fills it: take a thinner one',
    };
  });

  protected readonly fits = computed(() =>
    roundFits(this.tool().edge, this.bench()).map(({ stone: { id, name }, radiusMm, fit }) => ({
      id,
      name,
      fit,
      words: `radius ${this.figures.length(radiusMm)}, ${FIT_WORDS[fit]}`,
    })),
  );

  protected readonly reason = computed((): Reason => ({
    formula: 'patch = 2·√(2·R·δ / sin θ); turn = (arc − patch) / radius',
    inputs: [
      `R = ${this.figures.length(this.curve()?.radiusMm ?? 0)}${this.curve()?.rodRadiusMm === undefined ? '' : `, against a rod of ${this.figures.length(this.curve()?.rodRadiusMm ?? 0)}: 1/R = 1/r − 1/R₀`}`,
      `θ = ${this.figures.angle(this.curve()?.bevelDeg ?? 0)}`,
      'δ = 10 µm, how far off the stone a face is still rubbed',
    ],
    source: 'Geometry of two curves that touch (Hertz).',
    sure: 'δ is an estimate: the patch goes with its root.',
  }));
}
