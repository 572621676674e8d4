import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { attempt, cosDeg, Refusal, sinDeg, unlessRefused } from '@mellow-anvil/core/base';
import {
  backBevelDeg,
  edgeChain,
  honedDeg,
  type HostPlane,
  planeAngles,
  type PlaneAngles,
  type Point,
  type SingleBevelEdge,
} from '@mellow-anvil/core/blade';
import type { Sentences } from '../../ui/checks';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import type { BladeDraft } from '../../drawings/blade';

const VIEW = { width: 480, height: 250 } as const;
const SOLE_Y = 205;
const EDGE_X = 150;

type Way = HostPlane['orientation'] | 'none';
const WAYS = [
  { value: 'bevel-down', label: 'Bevel down' },
  { value: 'bevel-up', label: 'Bevel up' },
  { value: 'none', label: 'In no plane' },
] as const;

/** The iron in its plane: bed and bevel against the wood, and what clearance is left. */
@Component({
  selector: 'ma-host-panel',
  imports: [ChoiceField, QuantityField, Why],
  templateUrl: './host-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .wood {
      fill: var(--line);
    }
    .shaving {
      fill: var(--leather);
      opacity: 0.5;
    }
    .clear {
      fill: var(--accent);
      opacity: 0.35;
    }
    .cutting {
      fill: none;
      stroke: var(--accent);
      stroke-width: 2.5;
    }
    ma-choice {
      min-width: 11rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HostPanel {
  readonly edge = input.required<SingleBevelEdge>();
  readonly host = input.required<BladeDraft['host']>();
  readonly sentences = input<Sentences>({});
  readonly hostChange = output<BladeDraft['host']>();
  readonly settled = output<void>();
  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  protected readonly soleY = SOLE_Y;
  protected readonly edgeX = EDGE_X;
  protected readonly ways = WAYS;
  protected readonly way = computed((): Way => this.host()?.orientation ?? 'none');

  private readonly result = computed((): PlaneAngles | string | undefined => {
    const [host, edge] = [this.host(), this.edge()];
    if (!host || host.bedDeg === undefined || !(host.bedDeg >= 5 && host.bedDeg <= 90)) return undefined;
    const { bedDeg, orientation } = host;
    const bevels = { bevelDeg: honedDeg(edge), backBevelDeg: backBevelDeg(edge) };
    const result = attempt(() => planeAngles({ bedDeg, orientation, ...bevels }));
    return result instanceof Refusal ? result.message : result;
  });
  protected readonly angles = computed(() => {
    const result = this.result();
    return typeof result === 'object' ? result : undefined;
  });
  protected readonly refusal = computed(() => {
    const result = this.result();
    return typeof result === 'string' ? result : '';
  });

  protected readonly drawing = computed(() => {
    const [host, angles] = [this.host(), this.angles()];
    if (host?.bedDeg === undefined || !angles) return undefined;
    const down = host.orientation === 'bevel-down';
    const [c, s] = [cosDeg(host.bedDeg), sinDeg(host.bedDeg)];
    const chain = unlessRefused(() => edgeChain(this.edge(), 60));
    if (!chain) return undefined;
    const scale = Math.min(11, 34 / chain.thicknessMm);
    // Bevel down, the back leads and the bevel faces the wood; bevel up, the other way round.
    const place = ({ x, y }: Point): string => {
      const side = down ? y : -y;
      return `${(EDGE_X + (x * c + side * s) * scale).toFixed(1)} ${(SOLE_Y - (x * s - side * c) * scale).toFixed(1)}`;
    };
    const ray = (deg: number, px: number): string =>
      `${(EDGE_X + px * cosDeg(deg)).toFixed(1)} ${(SOLE_Y - px * sinDeg(deg)).toFixed(1)}`;
    const { cuttingDeg, clearanceDeg } = angles;
    const open = Math.max(0, clearanceDeg);
    return {
      iron: `M${chain.outline.map(place).join('L')}Z`,
      clear: `M${EDGE_X} ${SOLE_Y}L${ray(0, 150)}A150 150 0 0 0 ${ray(open, 150)}Z`,
      cutting: `M${ray(0, 118)}A118 118 0 0 0 ${ray(cuttingDeg, 118)}`,
      cuttingAt: {
        x: EDGE_X + 128 * cosDeg(cuttingDeg) - 124,
        y: Math.max(22, SOLE_Y - 128 * sinDeg(cuttingDeg)),
      },
      cuttingText: `cuts at ${this.figures.angle(cuttingDeg)}`,
      clearText:
        clearanceDeg > 0 ? `${this.figures.angle(clearanceDeg)} clear` : 'no clearance: the heel rides',
      words: `The iron on its bed at ${this.figures.angle(host.bedDeg)}, ${down ? 'bevel down' : 'bevel up'}: cuts at ${this.figures.angle(cuttingDeg)}, clearance ${this.figures.angle(clearanceDeg)}`,
    };
  });

  protected turn(way: Way): void {
    const bedDeg = this.host()?.bedDeg ?? (way === 'bevel-up' ? 12 : 45);
    this.hostChange.emit(way === 'none' ? undefined : { orientation: way, bedDeg });
    this.settled.emit();
  }

  protected reason(): Reason {
    const [host, edge] = [this.host(), this.edge()];
    const down = host?.orientation === 'bevel-down';
    return {
      formula: down
        ? 'Cutting = bed + back bevel; clearance = bed − bevel; included = bevel + back bevel.'
        : 'Cutting = bed + bevel; clearance = bed − back bevel; included = bevel + back bevel.',
      inputs: [
        `bed = ${this.figures.angle(host?.bedDeg ?? 0)}, ${down ? 'bevel down' : 'bevel up'}`,
        `bevel = ${this.figures.angle(honedDeg(edge))}, the steepest honed facet`,
        `back bevel = ${this.figures.angle(backBevelDeg(edge), 2)}`,
        down
          ? 'a degree steeper costs a degree of clearance'
          : 'a degree of back bevel costs a degree of clearance',
      ],
      source: 'Plane geometry. That about ten degrees are wanted is common practice, without a source.',
      sure: 'As sure as the bed and the bevel are measured. How much clearance wood asks for depends on how far it springs back.',
    };
  }
}
