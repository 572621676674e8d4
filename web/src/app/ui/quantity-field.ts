import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  model,
  output,
  signal,
  untracked,
} from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { Figures, type Quantity } from './figures';

let fields = 0;

/**
 * A labelled figure that can be typed: mm, inches with fractions, thou, degrees or minutes, decimal
 * comma or point. Its model is the number in mm, degrees, minutes or µm; undefined while it is
 * empty, NaN while it cannot be read.
 */
@Component({
  selector: 'ma-quantity',
  imports: [InputText],
  template: `
    <label [for]="id" [class.visually-hidden]="bare()">{{ label() }}</label>
    <span class="box">
      <input
        pInputText
        type="text"
        inputmode="decimal"
        autocomplete="off"
        [id]="id"
        [value]="text()"
        [invalid]="error() !== ''"
        [attr.aria-invalid]="error() !== ''"
        [attr.aria-describedby]="error() || hint() ? id + '-says' : null"
        (input)="typed($any($event.target).value)"
        (keydown.enter)="settle()"
        (focus)="typing = true"
        (blur)="typing = false; settle()"
      />
      <span class="unit" aria-hidden="true">{{ unit() }}</span>
    </span>
    @if (error() || hint()) {
      <small [id]="id + '-says'" [class.sentence-error]="error() !== ''">{{ error() || hint() }}</small>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.2rem;
      align-content: start;
    }
    label {
      font-weight: 700;
      font-size: 0.95rem;
    }
    .box {
      display: flex;
      align-items: center;
      gap: 0.4rem;
    }
    input {
      width: 6.4rem;
      min-height: var(--touch);
      font-variant-numeric: tabular-nums;
    }
    .unit {
      color: var(--muted);
    }
    small {
      color: var(--muted);
      max-width: 24rem;
      font-size: 0.9rem;
    }
    small.sentence-error {
      color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class QuantityField {
  readonly label = input.required<string>();
  readonly quantity = input<Quantity>('length');
  readonly hint = input('');
  /** In a table, where the column says what it is: the label is only spoken. */
  readonly bare = input(false);
  /** The sentence of a check made outside, such as the contract's. */
  readonly sentence = input<string | undefined>('');
  readonly value = model<number | undefined>();
  /** The figure was left or confirmed, and can be read. */
  readonly settled = output<void>();

  protected readonly id = `quantity-${fields++}`;
  protected readonly text = signal('');
  protected typing = false;
  private readonly unread = signal('');
  private readonly figures = inject(Figures);
  protected readonly unit = computed(() => this.figures.unitOf(this.quantity()));
  protected readonly error = computed(() => this.unread() || this.sentence() || '');

  constructor() {
    effect(() => {
      // A template’s “?.” gives null for what is not there.
      const value = this.value() ?? undefined;
      this.figures.units();
      // What a person is in the middle of typing is never rewritten under the cursor.
      if (this.typing) return;
      const shown = untracked(this.text);
      if (value === undefined || Number.isNaN(value)) {
        if (value === undefined && this.readOr(shown) !== undefined) this.text.set('');
        return;
      }
      if (this.readOr(shown) !== value) this.text.set(this.figures.write(this.quantity(), value));
      this.unread.set('');
    });
  }

  protected typed(text: string): void {
    this.text.set(text);
    if (text.trim() === '') {
      this.unread.set('');
      this.value.set(undefined);
      return;
    }
    try {
      this.value.set(this.figures.read(this.quantity(), text));
      this.unread.set('');
    } catch (reason) {
      this.unread.set((reason as Error).message);
      this.value.set(NaN);
    }
  }

  protected settle(): void {
    const value = this.value();
    if (value !== undefined && !Number.isNaN(value))
      this.text.set(this.figures.write(this.quantity(), value));
    if (!Number.isNaN(value)) this.settled.emit();
  }

  private readOr(text: string): number | undefined {
    try {
      return text.trim() === '' ? undefined : this.figures.read(this.quantity(), text);
    } catch {
      return undefined;
    }
  }
}
