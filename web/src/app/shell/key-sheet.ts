import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { KEY_SHEET, Keys } from './keys';

/** The keys, on one sheet. */
@Component({
  selector: 'ma-key-sheet',
  imports: [Checkbox, Dialog, FormsModule],
  template: `
    <p-dialog
      header="Keys"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      closeAriaLabel="Close the sheet"
      [visible]="true"
      (visibleChange)="left.emit()"
    >
      <dl>
        @for (each of sheet; track each.keys) {
          <dt [class.off]="each.single && !keys.single()">
            <kbd>{{ each.keys }}</kbd>
          </dt>
          <dd>{{ each.does }}</dd>
        }
      </dl>
      <label for="single-keys">
        <p-checkbox [binary]="true" [ngModel]="keys.single()" (ngModelChange)="keys.chooseSingle($event)" />
        Single keys work (on this device)
      </label>
    </p-dialog>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: auto minmax(0, 26rem);
      gap: 0.5rem 1rem;
      margin: 0 0 1rem;
    }
    dd {
      margin: 0;
    }
    kbd {
      font: inherit;
      font-weight: 700;
      padding: 0.1rem 0.5rem;
      border: 1px solid var(--line);
      border-bottom-width: 3px;
      border-radius: var(--radius);
      white-space: nowrap;
    }
    .off {
      opacity: 0.75;
      text-decoration: line-through;
    }
    label {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      min-height: var(--touch);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeySheet {
  readonly left = output<void>();
  protected readonly keys = inject(Keys);
  protected readonly sheet = KEY_SHEET;
}
