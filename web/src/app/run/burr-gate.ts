import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { Burr } from '@mellow-anvil/core';
import { BURR_WORDS } from './station-words';

/** How far along the edge a burr stands: the gate between the shaping stone and the finer ones. */
@Component({
  selector: 'ma-burr-gate',
  imports: [Button],
  template: `
    @for (each of words; track each.burr) {
      <p-button
        styleClass="wide"
        [severity]="each.burr === 'all-along' ? undefined : 'secondary'"
        [outlined]="each.burr !== 'all-along'"
        (onClick)="felt.emit(each.burr)"
      >
        <svg viewBox="0 0 120 20" aria-hidden="true">
          <path d="M2 5H118" class="edge" />
          @for (stretch of stretches[each.burr]; track $index) {
            <path [attr.d]="stretch" class="burr" [class.maybe]="each.burr === 'cannot-tell'" />
          }
        </svg>
        <span class="text">
          <b>{{ each.label }}</b>
          <small>{{ each.hint }}</small>
        </span>
      </p-button>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.8rem;
      grid-auto-rows: minmax(130px, 1fr);
    }
    :host ::ng-deep .wide {
      height: 100%;
      width: 100%;
      min-height: 130px;
      flex-direction: column;
      gap: 0.7rem;
    }
    svg {
      width: min(15rem, 80%);
    }
    .edge {
      stroke: currentcolor;
      stroke-width: 2;
    }
    .burr {
      stroke: currentcolor;
      stroke-width: 6;
      stroke-linecap: round;
    }
    .maybe {
      stroke-dasharray: 1 11;
    }
    .text {
      display: grid;
      gap: 0.15rem;
    }
    b {
      font-size: 1.5rem;
    }
    small {
      font-size: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BurrGate {
  readonly felt = output<Burr>();
  protected readonly words = BURR_WORDS;
  protected readonly stretches: Readonly<Record<Burr, readonly string[]>> = {
    'all-along': ['M5 14H115'],
    'in-part': ['M5 14H38', 'M84 14H115'],
    none: [],
    'cannot-tell': ['M8 14H114'],
  };
}
