import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import type { GuideSeat, RollerGuide } from '@mellow-anvil/core/guide';
import type { Sentences } from '../ui/checks';
import { ChoiceField } from '../ui/choice-field';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import { MeasureSeat } from './measure-seat';
import type { FieldChange } from '../platform/change';
import { changed } from '../platform/change';

const REGISTERS = [
  { value: 'back', label: 'its back' },
  { value: 'underside', label: 'its underside' },
] as const;

/** One seat of a guide: typed, or measured with a protractor. */
@Component({
  selector: 'ma-seat-fields',
  imports: [Button, ChoiceField, LineField, MeasureSeat, QuantityField],
  templateUrl: './seat-fields.html',
  styles: `
    :host {
      display: grid;
      gap: 1rem;
    }
    fieldset {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
      gap: 0.9rem 1.2rem;
      border: 0;
      border-left: var(--mark) solid var(--leather);
      margin: 0;
      padding: 0.2rem 0 0.2rem 1rem;
      align-items: start;
    }
    .measured {
      margin: 0;
    }
    .measured b {
      display: block;
      font-size: 0.95rem;
    }
    .actions {
      display: flex;
      gap: 0.6rem;
      align-self: center;
      flex-wrap: wrap;
    }
    ma-measure-seat {
      border-left: var(--mark) solid var(--accent);
      padding-left: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SeatFields {
  readonly guide = input.required<RollerGuide>();
  readonly seat = input.required<GuideSeat>();
  readonly place = input.required<number>();
  /** The guide's only seat cannot be taken away. */
  readonly alone = input(false);
  readonly sentences = input<Sentences>({});
  readonly seatChange = output<GuideSeat>();
  readonly dropped = output<void>();
  protected readonly figures = inject(Figures);
  protected readonly none = NaN;
  protected readonly registers = REGISTERS;
  protected readonly measuring = signal(false);

  protected says(field: string): string | undefined {
    return this.sentences()[`seats.${this.place()}.${field}`];
  }

  protected change(change: FieldChange<GuideSeat>): void {
    this.seatChange.emit(changed(this.seat(), change));
  }
}
