import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { isWheel, wheelWear } from '@mellow-anvil/core/abrasive';
import { attempt, formatDay, Refusal, tanDeg } from '@mellow-anvil/core/base';
import {
  hollowGrind,
  honedHollow,
  honingsUntilFlat,
  type Point,
  type SingleBevelEdge,
  type Tool,
} from '@mellow-anvil/core/blade';
import { GRINDING_PUSH_N, hollowSection, wheelAtWork } from '@mellow-anvil/core/grinding';
import { AbrasivesStore } from '../../data/abrasives.store';
import { Desk } from '../../data/desk';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import { HeatPanel } from '../../parts/heat-panel';

const VIEW = { width: 660, height: 250 } as const;
/** A honing's recession where no plan tells (estimate). */
const USUAL_RECESSION_MM = 0.015;

/** What a wheel makes of this bevel: the hollow, its rims as honing widens them, and the heat. */
@Component({
  selector: 'ma-wheel-panel',
  imports: [ButtonDirective, ChoiceField, HeatPanel, QuantityField, RouterLink, Why],
  templateUrl: './wheel-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .wheel {
      fill: color-mix(in srgb, var(--dry) 22%, transparent);
      stroke: var(--dry);
      stroke-width: 2;
    }
    .rim {
      fill: none;
      stroke: var(--accent);
      stroke-width: 6;
      stroke-linecap: round;
    }
    .measure {
      stroke: var(--ink);
      stroke-width: 1.5;
      fill: none;
    }
    .wheel-says {
      align-self: center;
      max-width: 26rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WheelPanel {
  readonly tool = input.required<Tool>();
  readonly edge = input.required<SingleBevelEdge>();
  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  private readonly bench = toSignal(inject(AbrasivesStore).items$, { initialValue: [] });
  private readonly answer = toSignal(inject(Desk).answer$);
  private readonly all = computed(() => this.bench().filter(isWheel));
  protected readonly wheels = computed(() => this.all().map(({ id, name }) => ({ value: id, label: name })));
  protected readonly wheelId = linkedSignal(() => this.wheels()[0]?.value ?? '');
  protected readonly honings = signal<number | undefined>(5);
  private readonly chosen = computed(() => this.all().find(({ id }) => id === this.wheelId()));
  protected readonly wheel = computed(() => {
    const chosen = this.chosen();
    return chosen && wheelAtWork(chosen, GRINDING_PUSH_N);
  });
  protected readonly recessionMm = computed(
    // A day the strop is enough says nothing of a honing.
    () => this.answer()?.plan?.job.recessionMm || USUAL_RECESSION_MM,
  );

  protected readonly wheelSays = computed(() => {
    const [chosen, wheel] = [this.chosen(), this.wheel()];
    if (!chosen || !wheel) return '';
    const wear = wheelWear(chosen);
    const size = `${this.figures.length(2 * wheel.radiusMm, 0)} across`;
    if (!wear) return `Not measured yet: taken as ${size}.`;
    const dressed = wear.lastDressedOn ? `, last dressed ${formatDay(wear.lastDressedOn)}` : '';
    return `${size}, ${this.figures.length(wear.lostMm, 1)} worn since first measured${dressed}.`;
  });

  private readonly input = computed(() => ({
    wheelRadiusMm: this.wheel()?.radiusMm ?? 0,
    thicknessMm: this.edge().thicknessMm,
    bevelDeg: this.edge().primaryDeg,
  }));

  protected readonly hollow = computed(() => {
    const honings = this.honings() ?? 0;
    if (!Number.isFinite(honings) || honings < 0) return {};
    const result = attempt(() => this.draw(honings * this.recessionMm()));
    return result instanceof Refusal ? { refusal: result.message } : { drawn: result };
  });

  protected reason(): Reason {
    const { wheelRadiusMm, thicknessMm, bevelDeg } = this.input();
    return {
      formula:
        'Face f = t / sin β; depth s = R − √(R² − f²/4); at the edge β − asin(f/2R). Honed back by e, d = e·sin β comes off the face: steel e·t − [S(s) − S(s − d)], S the segment of that depth.',
      inputs: [
        `R = ${this.figures.length(wheelRadiusMm)}, t = ${this.figures.length(thicknessMm)}, β = ${this.figures.angle(bevelDeg, 2)}`,
        `${this.figures.sliver(this.recessionMm())} back at each honing, by the plan`,
      ],
      source: 'Plane geometry, checked against polygon areas.',
      sure: 'As exact as the wheel’s diameter; how far a honing goes back is the plan’s estimate.',
    };
  }

  private draw(recessionMm: number): Record<
    'wheel' | 'outline' | 'bar' | 'barText' | 'depth' | 'rim' | 'edge' | 'saved' | 'words',
    string
  > & {
    readonly rims: readonly string[];
    readonly barX: number;
  } {
    const input = this.input();
    const { faceMm, edgeDeg } = hollowGrind(input);
    const honed = honedHollow(input, recessionMm);
    const lengthMm = (input.thicknessMm / tanDeg(input.bevelDeg)) * 1.35;
    const section = hollowSection(input, recessionMm, lengthMm);
    const scale = Math.min((VIEW.width - 60) / lengthMm, (VIEW.height - 70) / input.thicknessMm);
    const place = ({ x, y }: Point): string =>
      `${(30 + x * scale).toFixed(2)} ${(VIEW.height - 40 - y * scale).toFixed(2)}`;
    const line = (points: readonly Point[]): string => `M${points.map(place).join('L')}`;
    const { centre, radiusMm } = section.wheel;
    const left = place({ x: centre.x - radiusMm, y: centre.y });
    const right = place({ x: centre.x + radiusMm, y: centre.y });
    const r = radiusMm * scale;
    const until = honingsUntilFlat(input, this.recessionMm());
    const flatMm2 = recessionMm * input.thicknessMm;
    const barMm = 2;
    const words =
      honed.depthMm > 0
        ? `About ${until} honings on the two rims from fresh off the wheel and the hollow is gone; then grind again.`
        : `The hollow is gone: the whole ${this.figures.length(faceMm, 1)} of bevel is on the stone again. Grind it.`;
    return {
      wheel: `M${left}A${r} ${r} 0 1 1 ${right}A${r} ${r} 0 1 1 ${left}Z`,
      outline: `${line(section.outline)}Z`,
      rims: section.rims.map(line),
      bar: `M30 ${VIEW.height - 18}h${barMm * scale}m0 -5v10m${-barMm * scale} 0v-10`,
      barX: 30 + barMm * scale + 10,
      barText: this.figures.length(barMm),
      depth: this.figures.sliver(honed.depthMm),
      rim: this.figures.length(honed.rimMm),
      edge: this.figures.angle(recessionMm > 0 ? input.bevelDeg : edgeDeg),
      saved: flatMm2 > 0 ? `${this.figures.number((honed.savedMm2 / flatMm2) * 100, 0)} %` : '–',
      words,
    };
  }
}
