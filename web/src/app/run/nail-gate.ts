import { ChangeDetectionStrategy, Component, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { type Shake, SHAKES } from '@mellow-anvil/core/run';

/** Where it shakes when drawn along the nail: nowhere, or at heel, middle or tip. */
@Component({
  selector: 'ma-nail-gate',
  imports: [Button],
  template: `
    <div class="edge" role="group" aria-label="Along the edge, from heel to tip">
      @for (shake of shakes; track shake) {
        <button
          type="button"
          class="place"
          [class.on]="at().includes(shake)"
          [attr.aria-pressed]="at().includes(shake)"
          (click)="toggle(shake)"
        >
          <span class="wave" aria-hidden="true">{{ at().includes(shake) ? '∿∿∿' : '——' }}</span>
          {{ shake }}
        </button>
      }
    </div>
    <div class="quick">
      @if (at().length) {
        <p-button styleClass="target" label="It shakes there" (onClick)="told.emit(at())" />
        <p-button
          styleClass="target"
          label="Smooth after all"
          severity="secondary"
          [outlined]="true"
          (onClick)="at.set([])"
        />
      } @else {
        <p-button styleClass="target" label="Smooth all along" (onClick)="told.emit([])" />
      }
    </div>
  `,
  styleUrl: './gate.css',
  styles: `
    .edge {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr));
      gap: 4px;
      min-height: min(26vh, 12rem);
    }
    .place {
      font: inherit;
      font-size: 1.5rem;
      color: var(--ink);
      background: var(--raised);
      border: 2px solid var(--line);
      border-top: 6px solid var(--steel-line);
      min-height: 96px;
      display: grid;
      align-content: center;
      justify-items: center;
      cursor: pointer;
      touch-action: manipulation;
    }
    .wave {
      font-size: 2rem;
      line-height: 1;
    }
    .on {
      background: var(--slate);
      color: var(--slate-ink);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NailGate {
  readonly told = output<readonly Shake[]>();
  protected readonly shakes = SHAKES;
  protected readonly at = signal<readonly Shake[]>([]);

  protected toggle(shake: Shake): void {
    this.at.update((at) => (at.includes(shake) ? at.filter((each) => each !== shake) : [...at, shake]));
  }
}
