import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ChartData, ChartOptions } from 'chart.js';
import { UIChart } from 'primeng/chart';
import { Subject, catchError, debounceTime, map, of, startWith, switchMap } from 'rxjs';
import type { SingleBevelEdge, Tool } from '@mellow-anvil/core/blade';
import {
  HEAT_LIMITS,
  heatedWidthMm,
  type HeatLimit,
  ROOM_C,
  STOP_SHORT_MM,
  TEMPER_COLOURS,
  temperColour,
  type WedgeHeat,
  type WedgeHeatInput,
  type WheelAtWork,
} from '@mellow-anvil/core/grinding';
import { ChoiceField } from '../ui/choice-field';
import { inkNow } from '../ui/chart-ink';
import { Figures } from '../ui/figures';
import { HeavyWork, stoppedBy } from '../platform/heavy-work';
import { QuantityField } from '../ui/quantity-field';
import { Why, type Reason } from '../ui/why';
import { Working } from '../ui/working';
import { ThemeService } from '../ui/theme/theme.service';

type Limit = HeatLimit | 'own';
const LIMITS: readonly { readonly value: Limit; readonly label: string }[] = [
  { value: 'usual-tempering', label: 'Plain steel’s usual tempering' },
  { value: 'too-hot-to-hold', label: 'Too hot to hold' },
  { value: 'own', label: 'A temperature of my own' },
];
const SHOWN_MM = 16;

interface Worked {
  readonly heat?: WedgeHeat;
  readonly input?: WedgeHeatInput;
  readonly refusal?: string;
  /** How far it is. */
  readonly share?: number;
}

/** How long a pass at the wheel may last before the tip is too hot: a model, worked out in a worker. */
@Component({
  selector: 'ma-heat-panel',
  imports: [ChoiceField, QuantityField, UIChart, Why, Working],
  templateUrl: './heat-panel.html',
  styleUrl: '../ui/panel.css',
  styles: `
    section {
      display: grid;
      gap: 0.8rem;
    }
    figure {
      margin: 0;
      min-width: 0;
    }
    figcaption {
      font-weight: 700;
    }
    .verdict {
      flex-basis: 100%;
    }
    .pass {
      font-size: 2.6rem;
      line-height: 1.05;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeatPanel {
  readonly tool = input.required<Pick<Tool, 'steel'>>();
  readonly edge = input.required<SingleBevelEdge>();
  readonly wheel = input.required<WheelAtWork>();
  protected readonly figures = inject(Figures);
  private readonly heavy = inject(HeavyWork);
  private readonly dark = toSignal(inject(ThemeService).dark$, { initialValue: false });
  private readonly still = matchMedia('(prefers-reduced-motion: reduce)').matches;
  protected readonly limits = LIMITS;
  protected readonly limit = signal<Limit>('usual-tempering');
  protected readonly own = signal<number | undefined>(150);
  protected readonly pushN = signal<number | undefined>(5);
  protected readonly stopShortMm = signal<number | undefined>(STOP_SHORT_MM);
  protected readonly startC = signal<number | undefined>(ROOM_C);

  private readonly limitC = computed(() => {
    const limit = this.limit();
    return limit === 'own' ? (this.own() ?? NaN) : HEAT_LIMITS[limit];
  });

  private readonly asked = computed((): WedgeHeatInput | undefined => {
    const { primaryDeg: bevelDeg, thicknessMm, widthMm } = this.edge();
    const input = {
      bevelDeg,
      thicknessMm,
      widthMm: heatedWidthMm(widthMm, this.wheel()),
      stopShortMm: this.stopShortMm() ?? NaN,
      pushN: this.pushN() ?? NaN,
      rimMs: this.wheel().rimMs,
      limitC: this.limitC(),
      startC: this.startC() ?? NaN,
    };
    return Object.values(input).every(Number.isFinite) ? { ...input, steel: this.tool().steel } : undefined;
  });

  protected readonly stopped = new Subject<void>();
  protected readonly worked = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(120),
      switchMap((input) =>
        input
          ? this.heavy.run('wedgeHeat', input).pipe(
              map((news): Worked => ('value' in news ? { heat: news.value, input } : news)),
              catchError((reason: Error) => of<Worked>({ refusal: reason.message })),
              startWith<Worked>({ share: 0 }),
              stoppedBy(this.stopped, { refusal: 'Stopped. Change a figure to work it out anew.' } as Worked),
            )
          : of<Worked>({ refusal: 'There is an answer as soon as every figure can be read.' }),
      ),
    ),
    { initialValue: { share: 0 } as Worked },
  );

  protected pass({ passS }: WedgeHeat): string {
    return passS === undefined ? 'Over a minute' : `${this.figures.number(passS, passS < 10 ? 1 : 0)} s`;
  }

  protected verdict({ passS, dipS, powerW }: WedgeHeat): string {
    const limitC = this.worked().input?.limitC ?? 0;
    const rim = `${this.figures.number(this.wheel().rimMs, 1)} m/s`;
    const into = `With the rim at ${rim}, about ${this.figures.number(powerW, 0)} W go into the steel.`;
    if (passS === undefined)
      return `${into} By this model the last half millimetre does not reach ${this.figures.number(limitC, 0)} °C within a minute. Dip all the same.`;
    const colour = temperColour(limitC);
    const shows = colour ? ` (${colour})` : '';
    return `${into} After that the last half millimetre passes ${this.figures.number(limitC, 0)} °C${shows}: dip it for ${this.figures.number(Math.max(1, dipS), 0)} s and go on.`;
  }

  protected readonly chart = computed((): ChartData<'line', { x: number; y: number }[]> | undefined => {
    const { heat, input } = this.worked();
    if (!heat || !input) return undefined;
    this.dark();
    const ink = inkNow();
    const top = Math.max(...heat.profile.map(({ celsius }) => celsius), input.limitC);
    const level = (label: string, celsius: number, colour: string, dash: number[]): object => ({
      label,
      data: [
        { x: 0, y: celsius },
        { x: SHOWN_MM, y: celsius },
      ],
      borderColor: colour,
      borderDash: dash,
      borderWidth: 2,
      pointRadius: 0,
    });
    const first = TEMPER_COLOURS[0];
    return {
      datasets: [
        {
          label: 'Blade',
          data: heat.profile
            .filter(({ atMm }) => atMm <= SHOWN_MM)
            .map(({ atMm, celsius }) => ({ x: atMm, y: celsius })),
          borderColor: ink.accent,
          borderWidth: 4,
          pointRadius: 0,
        },
        level(
          `Not to pass: ${this.figures.number(input.limitC, 0)} °C`,
          input.limitC,
          ink.ink,
          [8, 5],
        ) as never,
        ...(first && top >= first.fromC - 40
          ? [
              level(
                `First colour: ${this.figures.number(first.fromC, 0)} °C`,
                first.fromC,
                ink.oil,
                [3, 4],
              ) as never,
            ]
          : []),
      ],
    };
  });

  protected readonly options = computed((): ChartOptions<'line'> => {
    this.dark();
    const ink = inkNow();
    const axis = (text: string): object => ({
      title: { display: true, text, color: ink.ink, font: { size: 14 } },
      ticks: { color: ink.ink, font: { size: 14 } },
      grid: { color: ink.line },
    });
    return {
      animation: this.still ? false : { duration: 200 },
      maintainAspectRatio: false,
      scales: {
        x: { type: 'linear', min: 0, max: SHOWN_MM, ...axis('mm from the edge') },
        y: { min: 0, ...axis('°C') },
      },
      plugins: { legend: { position: 'bottom', labels: { color: ink.ink, font: { size: 14 } } } },
    };
  });

  protected readonly chartWords = computed(() => {
    const profile = this.worked().heat?.profile ?? [];
    const at = (mm: number): string =>
      this.figures.number(profile.find(({ atMm }) => atMm >= mm)?.celsius ?? 0, 0);
    return `Temperature along the blade: ${at(0)} °C at the edge, ${at(5)} °C at 5 mm, ${at(15)} °C at 15 mm.`;
  });

  protected reason(): Reason {
    const { input } = this.worked();
    return {
      formula:
        'Heat into the steel = push × drag 0.4 × rim speed × share 0.7, spread evenly over the bevel from where you stop short to the heel; ρ·c·∂T/∂t = ∂(k·y·∂T/∂x)/∂x ÷ y along the blade, y its thickness; air takes 40 W/m²K from both faces.',
      inputs: input
        ? [
            `bevel ${this.figures.angle(input.bevelDeg)}, ${this.figures.length(input.thicknessMm)} thick; the heat over ${this.figures.length(input.widthMm)}, as if the blade stood still before the rim`,
            `push ${this.figures.number(input.pushN)} N, rim ${this.figures.number(input.rimMs, 1)} m/s`,
            'watched: the hottest of the last half millimetre',
          ]
        : [],
      source:
        'Explicit finite differences, checked against constant flux on a half space (Carslaw and Jaeger); colours of Machinery’s Handbook; drag, share and steels’ values from handbooks, from memory.',
      sure: 'Right in kind; in seconds good to perhaps a factor of two, since drag and share are estimates. The wheel decides.',
    };
  }
}
