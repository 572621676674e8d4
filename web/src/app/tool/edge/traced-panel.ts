import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { GougeEdge } from '@mellow-anvil/core/blade';
import { tracedArc } from '@mellow-anvil/core/curve';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

/** Where on the chord a tracing is read: its share from the left corner, and how that is said. */
const PLACES = [
  { share: 0.25, label: 'Height at a quarter' },
  { share: 0.5, label: 'Height in the middle' },
  { share: 0.75, label: 'Height at three quarters' },
] as const;
/** Readings further off their circle than a rule is good for, mm. */
const NO_CIRCLE_MM = 0.15;

/** A gouge’s sweep from its edge traced on paper: read with a rule, kept in one press. */
@Component({
  selector: 'ma-traced-panel',
  imports: [Button, QuantityField, Why],
  templateUrl: './traced-panel.html',
  styleUrl: '../../ui/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TracedPanel {
  readonly edge = input.required<GougeEdge>();
  readonly chosen = output<Pick<GougeEdge, 'widthMm' | 'depthMm'>>();
  protected readonly figures = inject(Figures);
  protected readonly places = PLACES;
  protected readonly limit = NO_CIRCLE_MM;
  protected readonly typed = signal<number | undefined>(undefined);
  protected readonly heights = signal<readonly (number | undefined)[]>([]);
  protected readonly width = computed(() => this.typed() ?? this.edge().widthMm);

  protected readonly found = computed(() => {
    const widthMm = this.width();
    const heights = PLACES.flatMap(({ share }, i) => {
      const heightMm = this.heights()[i];
      return heightMm === undefined || Number.isNaN(heightMm) ? [] : [{ atMm: share * widthMm, heightMm }];
    });
    if (heights.length === 0 || !(widthMm > 0)) return { refusal: '' };
    const arc = attempt(() => tracedArc({ widthMm, heights }));
    return arc instanceof Refusal ? { refusal: arc.message } : { arc, refusal: '' };
  });

  protected readonly reason: Reason = {
    formula:
      'Σ h·(x² + h² − w·x) / 2Σh² is the height m of the circle’s middle; r = √(w²/4 + m²), depth = m + r.',
    inputs: ['w corner to corner, h the heights, x how far each lies from the left corner'],
    source: 'The circle through both corners nearest to the readings, least squares (Kåsa, 1976).',
    sure: 'As good as the rule: a tenth of a millimetre of height is about that of depth.',
  };

  protected read(place: number, mm: number | undefined): void {
    this.heights.update((heights) => PLACES.map((_, i) => (i === place ? mm : heights[i])));
  }

  protected keep(depthMm: number): void {
    this.chosen.emit({ widthMm: this.width(), depthMm: Number(depthMm.toFixed(2)) });
  }
}
