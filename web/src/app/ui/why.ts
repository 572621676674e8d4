import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Button } from 'primeng/button';
import { Popover } from 'primeng/popover';

/** What stands behind a figure. */
export interface Reason {
  readonly formula: string;
  /** Each input as it is: `H = 16.25 mm, seat height`. */
  readonly inputs: readonly string[];
  readonly source: string;
  readonly sure: string;
}

/** Opens a figure to show why it is what it is. */
@Component({
  selector: 'ma-why',
  imports: [Button, Popover],
  template: `
    <p-button
      label="Why"
      [ariaLabel]="'Why ' + of()"
      [text]="true"
      size="small"
      (onClick)="panel.toggle($event)"
    />
    <p-popover #panel [ariaLabel]="'Why ' + of()">
      <div class="why">
        <p class="formula">{{ reason().formula }}</p>
        <ul>
          @for (line of reason().inputs; track line) {
            <li>{{ line }}</li>
          }
        </ul>
        <p>
          <b>Source</b>
          {{ reason().source }}
        </p>
        <p>
          <b>How sure</b>
          {{ reason().sure }}
        </p>
      </div>
    </p-popover>
  `,
  styles: `
    .why {
      max-width: 26rem;
      display: grid;
      gap: 0.5rem;
    }
    .formula {
      font-weight: 700;
    }
    ul {
      margin: 0;
      padding-left: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Why {
  readonly of = input.required<string>();
  readonly reason = input.required<Reason>();
}
