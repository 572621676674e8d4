import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';

export interface Option<T> {
  readonly value: T;
  readonly label: string;
}

let fields = 0;

/** A labelled choice of one out of a list. */
@Component({
  selector: 'ma-choice',
  imports: [FormsModule, Select],
  template: `
    <label [for]="id" [id]="id + '-label'">{{ label() }}</label>
    <p-select
      [inputId]="id"
      [ariaLabelledBy]="id + '-label'"
      appendTo="body"
      [options]="$any(options())"
      optionLabel="label"
      optionValue="value"
      [ngModel]="value()"
      (ngModelChange)="value.set($event)"
    />
    @if (sentence()) {
      <small class="sentence-error">{{ sentence() }}</small>
    }
  `,
  styleUrl: './fields.css',
  // However long its choices are, it is as wide as the place it stands in, and breaks there rather than be cut.
  styles: `
    :host {
      min-width: 0;
      grid-template-columns: minmax(0, 1fr);
    }
    p-select {
      min-width: 0;
      width: 100%;
    }
    :host ::ng-deep .p-select-label {
      white-space: normal;
      overflow-wrap: anywhere;
      line-height: 1.15;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceField<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Option<T>[]>();
  readonly sentence = input<string | undefined>('');
  readonly value = model.required<T>();
  protected readonly id = `choice-${fields++}`;
}
