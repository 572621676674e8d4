import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { Button } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import type { Subscription } from 'rxjs';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import {
  type CamberRead,
  type EdgePoint,
  profileReading,
  type ProfileReading,
} from '@mellow-anvil/core/camber';
import { profileLines } from '@mellow-anvil/core/device';
import type { CamberState } from '@mellow-anvil/core/record';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { hasSerial } from '../../platform/serial';
import { Why, type Reason } from '../../ui/why';
import {
  SIMULATED_PLACES,
  serialCaliper,
  simulatedCaliper,
  type CaliperSource,
} from '../../platform/caliper-source';
import type { Iron } from './camber-draft';
import { ProfileDrawing } from '../../drawings/profile-drawing';

/** The edge read across with a caliper: typed, pasted, keyed in by the caliper itself, or down a wire. */
@Component({
  selector: 'ma-read-caliper',
  imports: [Button, ProfileDrawing, QuantityField, Textarea, Why],
  templateUrl: './read-caliper.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .in,
    .out {
      display: grid;
      gap: 0.6rem;
      align-content: start;
    }
    label {
      font-weight: 700;
    }
    textarea {
      font-size: 1.1rem;
      font-variant-numeric: tabular-nums;
    }
    .found {
      font-size: 1.25rem;
      font-weight: 700;
    }
    small {
      color: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadCaliper {
  readonly iron = input.required<Iron>();
  /** What the record takes the edge to be: what the simulated caliper reads. */
  readonly state = input<CamberState>();
  readonly found = output<CamberRead>();
  protected readonly figures = inject(Figures);
  protected readonly serial = hasSerial();
  protected readonly text = signal('');
  protected readonly division = signal<number | undefined>(0.01);
  protected readonly listening = signal(false);
  protected readonly heard = signal('');
  private source: Subscription | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.source?.unsubscribe());
  }

  private readonly parsed = computed((): readonly EdgePoint[] | Refusal =>
    attempt(() => profileLines(this.text(), this.iron().edge.widthMm)),
  );
  protected readonly points = computed((): readonly EdgePoint[] => {
    const parsed = this.parsed();
    return parsed instanceof Refusal ? [] : parsed;
  });
  private readonly reading = computed((): ProfileReading | Refusal | undefined => {
    const points = this.points();
    if (points.length < 3) return undefined;
    return attempt(() =>
      profileReading({
        widthMm: this.iron().edge.widthMm,
        points,
        divisionMm: this.division() || 0.01,
      }),
    );
  });
  protected readonly result = computed(() => {
    const reading = this.reading();
    return reading instanceof Refusal ? undefined : reading;
  });
  protected readonly refusal = computed(() => {
    const [parsed, reading] = [this.parsed(), this.reading()];
    if (parsed instanceof Refusal) return parsed.message;
    return reading instanceof Refusal ? reading.message : '';
  });
  protected readonly says = computed(() => {
    const r = this.result();
    if (!r) return '';
    const [camber, pm] = [this.figures.sliver(r.camber.mm), this.figures.sliver(r.camber.pmMm)];
    if (!r.told) return `${camber} ± ${pm}: it cannot be told from straight.`;
    return r.camber.mm < 0
      ? `Hollow by ${this.figures.sliver(-r.camber.mm)} ± ${pm} in the middle.`
      : `${camber} ± ${pm} of light at the corners, radius ${this.figures.length(r.radiusMm ?? 0, 0)}.`;
  });
  protected readonly beside = computed(() => {
    const r = this.result();
    if (!r) return '';
    const lean =
      Math.abs(r.lean.mm) > r.lean.pmMm
        ? `Out of square: its ${r.lean.mm > 0 ? 'right' : 'left'} corner stands ${this.figures.sliver(Math.abs(r.lean.mm))} ± ${this.figures.sliver(r.lean.pmMm)} further back.`
        : `Square, to ± ${this.figures.sliver(r.lean.pmMm)}.`;
    const odd =
      r.lopsided && Math.abs(r.lopsided.mm) > r.lopsided.pmMm
        ? ` Lopsided: one half is ${this.figures.sliver(Math.abs(r.lopsided.mm))} fuller than the other.`
        : r.lopsided
          ? ' Both halves alike, as far as it shows.'
          : ' Whether both halves are alike takes five readings.';
    return `${lean}${odd} The readings lie ${this.figures.sliver(r.rmsMm)} off the curve on the mean.`;
  });

  protected typed(text: string): void {
    this.text.set(text);
    if (text === '') this.heard.set('');
  }

  protected simulate(): void {
    const { camberMm = 0.07, leanMm = 0 } = this.state() ?? {};
    this.hear(simulatedCaliper({ widthMm: this.iron().edge.widthMm, camberMm, leanMm }), SIMULATED_PLACES);
  }

  protected listen(): void {
    this.hear(serialCaliper());
  }

  protected stop(): void {
    this.source?.unsubscribe();
    this.listening.set(false);
  }

  protected keep({ camber, lean }: ProfileReading): void {
    this.found.emit({ by: 'caliper', camberMm: camber.mm, pmMm: camber.pmMm, leanMm: lean.mm });
  }

  private hear({ lines$ }: CaliperSource, most = Infinity): void {
    this.source?.unsubscribe();
    this.typed('');
    this.listening.set(true);
    let [read, garbled] = [0, 0];
    this.source = lines$.subscribe({
      next: (line) => {
        if (line.ok) {
          read += 1;
          // Written at once where it can be seen, and in mm, whatever the caliper spoke in.
          this.text.update((text) => `${text}${this.figures.number(line.mm, 3)}\n`);
        } else garbled += 1;
        this.heard.set(
          `${read} read${garbled > 0 ? `, ${garbled} garbled and passed over` : ''}${read < most ? ' …' : '.'}`,
        );
      },
      error: () => {
        this.listening.set(false);
        this.heard.set('The caliper cannot be reached: choose its port again, or type the figures.');
      },
      complete: () => this.listening.set(false),
    });
  }

  protected reason(r: ProfileReading): Reason {
    return {
      formula:
        'A circle through the readings by least squares, tilted as far as the edge is out of square; a cubic in what it leaves',
      inputs: [
        `${this.points().length} readings over ${this.figures.length(this.iron().edge.widthMm)}`,
        `division ${this.figures.length(this.division() ?? 0.01, 3)}, the jaw as far off again`,
        `mean square off the curve ${this.figures.sliver(r.rmsMm)}`,
      ],
      source:
        'Gauss and Newton; ± by Student’s t (Abramowitz and Stegun 26.7.5), division/√3 as its own uncertainty (JCGM 100:2008, 4.3.7).',
      sure: 'Nineteen readings of twenty lie within the ±, by seeded trials; where it is larger than the camber the page says that it cannot tell.',
    };
  }
}
