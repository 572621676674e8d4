import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { sinDeg, tanDeg } from '@mellow-anvil/core/base';
import { type Edge, edgeKeep, includedDeg, tipLoss } from '@mellow-anvil/core/blade';
import type { Creep } from '@mellow-anvil/core/record';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

const VIEW = { width: 480, height: 300 } as const;
const MIDDLE = VIEW.width / 2;
const ROUND_Y = 192;
/** Room above the rounding for the finer of the two tips, px. */
const ROOM = 126;

/** Two edges worn to the same tip, laid over each other: what each had to lose. */
@Component({
  selector: 'ma-keep-panel',
  imports: [QuantityField, Why],
  templateUrl: './keep-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .wedge {
      fill-opacity: 0.25;
      stroke-width: 3;
      stroke-linejoin: round;
    }
    .wedge.this {
      fill: var(--leather);
      stroke: var(--leather);
    }
    .wedge.other {
      fill: var(--accent);
      stroke: var(--accent);
      stroke-dasharray: 10 5;
    }
    .round {
      fill: var(--steel);
      stroke: var(--danger);
      stroke-width: 3;
    }
    .loss {
      fill: none;
      stroke-width: 3;
    }
    .loss.this {
      stroke: var(--leather);
    }
    .loss.other {
      stroke: var(--accent);
    }
    .verdict {
      font-size: 1.15rem;
      margin: 0;
      max-width: 26rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeepPanel {
  readonly edge = input.required<Edge>();
  readonly creep = input<Creep>();
  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  protected readonly middle = MIDDLE;
  protected readonly roundY = ROUND_Y;
  protected readonly reference = linkedSignal<number | undefined>(() =>
    Number(includedDeg(this.edge()).toFixed(2)),
  );
  protected readonly other = linkedSignal<number | undefined>(() => {
    const creep = this.creep();
    const at = includedDeg(this.edge());
    return Number((creep ? at + creep.nowDeg - creep.setDeg : at + 5).toFixed(2));
  });

  protected readonly drawing = computed(() => {
    const [reference, other] = [this.reference(), this.other()];
    if (reference === undefined || other === undefined || this.wrong(reference) || this.wrong(other))
      return undefined;
    const { ratio } = edgeKeep({ angleDeg: other, referenceDeg: reference });
    const r = Math.min(46, ROOM / Math.max(tipLoss(reference), tipLoss(other)));
    return {
      r,
      verdict: this.verdict(reference, other, ratio),
      wedges: [
        { kind: 'this', ...wedge(reference, r, -1), text: this.lossWords(reference) },
        { kind: 'other', ...wedge(other, r, 1), text: this.lossWords(other) },
      ],
    };
  });

  protected wrong(deg: number | undefined): string {
    if (deg === undefined || Number.isNaN(deg)) return '';
    return deg >= 5 && deg <= 170 ? '' : 'Choose an included angle from 5° to 170°.';
  }

  protected creepWords({ setDeg, nowDeg, steps, keepRatio }: Creep): string {
    const bevels = steps === 1 ? 'once' : `${steps === 2 ? 'twice' : `${steps} times`}, bevel upon bevel`;
    return `It has crept: set at ${this.figures.angle(setDeg)}, it was last honed at ${this.figures.angle(nowDeg)}. Since it was last ground it was set steeper ${bevels}; so it keeps ${this.percent(keepRatio)} of the useful wear it was meant to have. Go back to ${this.figures.angle(setDeg)} at the next honing, or regrind (common practice: one micro-bevel, at most two, then back).`;
  }

  protected reason(): Reason {
    return {
      formula:
        'Wear lost at the tip: ρ · (1/sin(α/2) − 1) along the edge’s middle; the ratio of two edges is that of the brackets.',
      inputs: [
        `α = ${this.figures.angle(this.reference() ?? 0, 2)} and ${this.figures.angle(this.other() ?? 0, 2)}, included`,
        'ρ, the radius both are worn to, falls out: the ratio is the same however blunt',
      ],
      source:
        'Plane geometry. Common practice says about a third is lost at 40° against 30°, as it comes to; it also says three times for 30° against 50°, where the geometry gives 2.1.',
      sure: 'The geometry is exact. That an edge stops cutting at the same tip radius whatever its angle is an assumption.',
    };
  }

  private verdict(reference: number, other: number, ratio: number): string {
    const [at, against] = [this.figures.angle(reference, 2), this.figures.angle(other, 2)];
    if (Math.abs(ratio - 1) < 0.005) return `${against} and ${at} keep the same.`;
    return ratio < 1
      ? `At ${against} the edge keeps ${this.percent(ratio)} of the useful wear it has at ${at}: ${this.percent(1 - ratio)} is gone before it is used.`
      : `At ${against} the edge has ${this.figures.number(ratio, 2)} times the useful wear it has at ${at}, if the wood lets it stand.`;
  }

  private percent(share: number): string {
    return `${this.figures.number(share * 100, 0)} %`;
  }

  private lossWords(deg: number): string {
    return `${this.figures.angle(deg, 1)}: ${this.figures.number(tipLoss(deg), 2)} radii`;
  }
}

/** A wedge whose faces touch the round tip, its length lost beside it. */
function wedge(deg: number, r: number, side: 1 | -1) {
  const tipY = ROUND_Y - r / sinDeg(deg / 2);
  const depth = VIEW.height - tipY + 10;
  const out = depth * tanDeg(deg / 2);
  const top = ROUND_Y - r;
  const x = MIDDLE + side * (r + 46);
  return {
    d: `M${MIDDLE} ${tipY}L${MIDDLE + out} ${tipY + depth}L${MIDDLE - out} ${tipY + depth}Z`,
    loss: `M${x} ${tipY}V${top}M${x - 6} ${tipY}h12M${x - 6} ${top}h12`,
    textX: x + side * 12,
    textY: (tipY + top) / 2 + 6,
    anchor: side > 0 ? 'start' : 'end',
  };
}
