import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { map, timer } from 'rxjs';
import { Figures } from './figures';

/** Nobody wants to stop what is over sooner than this. */
const QUICK_MS = 700;

/** Said while something is worked out beside the page: what, how far it is, and a way to stop it. */
@Component({
  selector: 'ma-working',
  imports: [Button, ProgressBar],
  template: `
    <p class="muted">{{ words() }}</p>
    @if (slow()) {
      <p-progressBar [value]="percent()" [showValue]="false" ariaLabel="How far it is worked out" />
      <p-button label="Stop" severity="secondary" [outlined]="true" (onClick)="stop.emit()" />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Working {
  readonly what = input.required<string>();
  /** How far it is, 0…1. */
  readonly share = input(0);
  readonly stop = output();
  private readonly figures = inject(Figures);
  protected readonly slow = toSignal(timer(QUICK_MS).pipe(map(() => true)), { initialValue: false });
  protected readonly percent = computed(() => Math.round(100 * this.share()));
  protected readonly words = computed(() =>
    this.slow() ? `${this.what()} … ${this.figures.number(this.percent(), 0)} %` : `${this.what()} …`,
  );
}
