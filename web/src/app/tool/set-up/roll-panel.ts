import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { unlessRefused } from '@mellow-anvil/core/base';
import type { Edge, Tool } from '@mellow-anvil/core/blade';
import { rodFit, rolled, type RolledInput } from '@mellow-anvil/core/curve';
import { curveRolled, hollowOfMm, type RoundFit, roundFits } from '@mellow-anvil/core/plan';
import { AbrasivesStore } from '../../data/abrasives.store';
import { rollMarks, type RollPose, rollScale } from '../../drawings/from-end';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

const VIEW = { width: 450, height: 290 } as const;
const TOUCH = { x: 225, y: 232 } as const;
/** No hook goes further round than this, radians. */
const MOST_ROUND = 5;
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

/** How a curved edge is rolled, turned under the finger; and what of the bench goes into its hollow. */
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
    .slab {
      fill: var(--line);
      stroke: var(--dry);
    }
    .rim {
      fill: none;
      stroke: var(--steel-line);
      stroke-width: 6;
    }
    .ghost {
      fill: none;
      stroke: var(--muted);
      stroke-width: 1.5;
      stroke-dasharray: 6 5;
    }
    .bright {
      fill: none;
      stroke: var(--accent);
      stroke-width: 11;
    }
    text {
      fill: var(--ink);
      font-size: 17px;
    }
    label {
      display: flex;
      gap: 0.8rem;
      align-items: center;
      padding: 0.4rem 0.8rem;
      font-weight: 700;
    }
    input {
      flex: 1;
      min-height: var(--touch);
      accent-color: var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RollPanel {
  readonly tool = input.required<Tool>();
  private readonly figures = inject(Figures);
  private readonly bench = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  protected readonly view = VIEW;
  /** Where in its roll it lies, −1 to 1. */
  protected readonly at = signal(0);
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
          arcMm: Math.min(edge.lengthMm, MOST_ROUND * hollowMm),
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
    const pose: RollPose = { ...curve, patchMm, rolledDeg: (this.at() * turnDeg) / 2 };
    const scale = rollScale(pose, turnDeg, 380, 190);
    const rod = curve.rodRadiusMm;
    const inside = rod !== undefined;
    const turned = figures.angle(Math.abs(Math.round(pose.rolledDeg)));
    const side =
      this.at() === 0 ? 'its middle down' : `rolled ${turned} to the ${this.at() < 0 ? 'left' : 'right'}`;
    return {
      turn: figures.angle(Math.round(turnDeg)),
      way: this.led() ? 'round the bend, from end to end' : 'in every stroke, corner to corner',
      roll: this.led() ? 'Lead the rod' : 'Roll it',
      words: this.led()
        ? `The tool held still, the rod led round: ${figures.length(patchMm)} of its edge touches at a time. Rocked until both rims are felt at once, that is its angle. Never paper across the edge: it gets cut.`
        : `${figures.length(patchMm)} of it touches at a time: laid in ${places} places it would be covered, a third of each twice; a roll goes through them all and stops where the corner touches${curve.corners === 'eased' ? ' and on over it' : ', not past it'}.`,
      seen: `From its end, ${side}`,
      slab: inside ? rodPath(rod * scale) : `M8 ${TOUCH.y}H442v26H8Z`,
      marks: rollMarks(pose, TOUCH, scale).flatMap((mark) => (mark.tag === 'path' ? [mark] : [])),
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

/** A rod inside the curve, touching where the edge lies. */
const rodPath = (radius: number): string =>
  `M${TOUCH.x} ${TOUCH.y}a${radius} ${radius} 0 1 1 0 ${-2 * radius}a${radius} ${radius} 0 1 1 0 ${2 * radius}Z`;
