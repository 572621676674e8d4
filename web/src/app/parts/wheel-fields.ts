import { ChangeDetectionStrategy, Component, computed, inject, model, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { format } from 'date-fns/format';
import { type Wheel, wheelWear } from '@mellow-anvil/core/abrasive';
import { formatDay } from '@mellow-anvil/core/base';
import type { Sentences } from '../ui/checks';
import { Figures } from '../ui/figures';
import { QuantityField } from '../ui/quantity-field';
import type { FieldChange } from '../platform/change';
import { changed } from '../platform/change';

const NONE: Wheel = { readings: [] };

/** A grinding wheel's own figures: width, turns, and its diameter each time it was measured or dressed. */
@Component({
  selector: 'ma-wheel-fields',
  imports: [Button, Checkbox, FormsModule, QuantityField],
  templateUrl: './wheel-fields.html',
  styles: `
    fieldset {
      border: 0;
      border-top: 3px solid var(--leather);
      margin: 0;
      padding: 0.7rem 0 0;
      display: grid;
      gap: 0.8rem;
    }
    legend {
      font-weight: 700;
      font-size: 1.15rem;
      float: left;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 0.9rem 1.6rem;
      align-items: start;
    }
    .new p-button,
    .dressed {
      padding-top: 1.7rem;
    }
    .dressed {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      min-height: var(--touch);
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem 1rem;
      align-items: center;
    }
    .day {
      min-width: 7rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WheelFields {
  readonly wheel = model<Wheel | undefined>();
  readonly sentences = input<Sentences>({});
  private readonly figures = inject(Figures);
  protected readonly day = formatDay;
  protected readonly today = signal<number | undefined>(undefined);
  protected readonly dressed = signal(false);
  protected readonly known = computed(() => this.wheel() ?? NONE);
  protected readonly noted = computed(() => {
    const mm = this.today();
    return mm !== undefined && Number.isFinite(mm) && mm > 0;
  });

  protected readonly says = computed(() => {
    const wheel = this.wheel();
    const wear = wheel && wheelWear({ wheel });
    if (!wear) return 'Not measured yet. Every set-up on this wheel follows the newest reading.';
    const times = wear.dressings === 1 ? 'once' : `${wear.dressings} times`;
    const dressed = wear.lastDressedOn
      ? ` Dressed ${times}, last on ${formatDay(wear.lastDressedOn)}.`
      : ' No dressing noted yet.';
    return `It has lost ${this.figures.length(wear.lostMm, 1)} in ${wear.readings} readings.${dressed} Every set-up follows the newest.`;
  });

  protected change(change: FieldChange<Wheel>): void {
    this.wheel.set(changed(this.known(), change));
  }

  protected setReading(at: number, diameterMm: number | undefined): void {
    this.change({
      readings: this.known().readings.map((reading, i) =>
        i === at ? { ...reading, diameterMm: diameterMm ?? NaN } : reading,
      ),
    });
  }

  protected drop(at: number): void {
    this.change({ readings: this.known().readings.filter((_, i) => i !== at) });
  }

  protected note(): void {
    const diameterMm = this.today();
    if (diameterMm === undefined) return;
    const on = format(new Date(), 'yyyy-MM-dd');
    this.change({
      readings: [...this.known().readings, { on, diameterMm, ...(this.dressed() && { dressed: true }) }],
    });
    this.today.set(undefined);
    this.dressed.set(false);
  }
}
