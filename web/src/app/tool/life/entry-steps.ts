import { ChangeDetectionStrategy, Component, inject, input, model } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import type { SessionStep } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';
import type { Sentences } from '../../ui/checks';
import { QuantityField } from '../../ui/quantity-field';
import type { FieldChange } from '../../platform/change';
import { changed } from '../../platform/change';

/** What was done on each abrasive, to be filled in or put right. */
@Component({
  selector: 'ma-entry-steps',
  imports: [Button, FormsModule, QuantityField, Select],
  templateUrl: './entry-steps.html',
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    .step {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 1rem;
      align-items: end;
    }
    b {
      flex: 0 0 11rem;
      padding-bottom: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntrySteps {
  readonly steps = model.required<readonly SessionStep[]>();
  readonly sentences = input<Sentences>({});
  protected readonly unread = NaN;
  private readonly abrasives = inject(AbrasivesStore);
  protected readonly stones = toSignal(this.abrasives.inOrder$, { initialValue: [] });
  protected readonly nameOf = toSignal(this.abrasives.nameOf$, { requireSync: true });

  protected add(abrasiveId: string | null): void {
    if (abrasiveId) this.steps.update((steps) => [...steps, { abrasiveId, strokes: 10, minutes: 1 }]);
  }

  protected drop(at: number): void {
    this.steps.update((steps) => steps.filter((_, i) => i !== at));
  }

  protected change(at: number, change: FieldChange<SessionStep>): void {
    this.steps.update((steps) => steps.map((step, i) => (i === at ? counted(changed(step, change)) : step)));
  }
}

/** A count put right by hand no longer says where the strokes were pressed. */
function counted(step: SessionStep): SessionStep {
  const { places, ...rest } = step;
  return places?.reduce((sum, count) => sum + count, 0) === step.strokes ? step : rest;
}
