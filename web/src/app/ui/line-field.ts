import { ChangeDetectionStrategy, Component, input, model, output } from '@angular/core';
import { InputText } from 'primeng/inputtext';

let fields = 0;

/** A labelled line of text. */
@Component({
  selector: 'ma-line',
  imports: [InputText],
  template: `
    <label [for]="id" [class.visually-hidden]="bare()">{{ label() }}</label>
    <input
      pInputText
      autocomplete="off"
      [id]="id"
      [attr.maxlength]="most()"
      [value]="value()"
      [invalid]="!!sentence()"
      [attr.aria-invalid]="!!sentence()"
      [attr.aria-describedby]="id + '-says'"
      (input)="value.set($any($event.target).value)"
      (blur)="settled.emit()"
    />
    <small [id]="id + '-says'" [class.sentence-error]="!!sentence()" aria-live="polite">
      {{ sentence() || hint() }}
    </small>
  `,
  styleUrl: './fields.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineField {
  readonly label = input.required<string>();
  readonly most = input(80);
  readonly hint = input('');
  /** In a table whose head says what it is. */
  readonly bare = input(false);
  readonly sentence = input<string | undefined>('');
  readonly value = model.required<string>();
  readonly settled = output<void>();
  protected readonly id = `line-${fields++}`;
}
