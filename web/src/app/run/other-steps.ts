import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { type PutIn, type Run, type Skip, SKIPS } from '@mellow-anvil/core/run';
import type { Option } from '../ui/choice-field';
import { ChoiceField } from '../ui/choice-field';
import { QuantityField } from '../ui/quantity-field';
import { SKIP_WORDS, STATION_TEXT } from '../words/station-words';

const NOTED: readonly Exclude<PutIn['kind'], 'strokes'>[] = [
  'look',
  'marker',
  'burr',
  'wash',
  'burr-off',
  'proof',
  'wipe',
];

/** What is not in the order: the step at hand left out with its reason, an earlier one again, work put in. */
@Component({
  selector: 'ma-other-steps',
  imports: [Button, ChoiceField, QuantityField],
  templateUrl: './other-steps.html',
  styles: `
    :host {
      display: grid;
      gap: 1rem;
      align-content: start;
      overflow-y: auto;
    }
    section {
      display: grid;
      gap: 0.5rem;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
      align-items: end;
    }
    ma-choice {
      min-width: 14rem;
    }
    :host ::ng-deep .other {
      min-height: 64px;
      font-size: 1.15rem;
    }
    :host ::ng-deep .other.on {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OtherSteps {
  readonly run = input.required<Run>();
  readonly stones = input.required<readonly Option<string>[]>();
  readonly nameOf = input.required<(id: string) => string>();
  readonly skipped = output<Skip>();
  readonly again = output<number>();
  readonly putIn = output<PutIn>();
  readonly closed = output<void>();
  protected readonly skips = SKIPS;
  protected readonly skipWords = SKIP_WORDS;
  protected readonly noted = NOTED;
  protected readonly text = STATION_TEXT;
  protected readonly strokes = signal<number | undefined>(10);
  protected readonly picked = signal<string | undefined>(undefined);
  protected readonly stone = computed(() => this.picked() ?? this.stones()[0]?.value ?? '');
  protected readonly sound = computed(() => {
    const count = this.strokes() ?? 0;
    return Number.isInteger(count) && count >= 1 && count <= 1000 && this.stone() !== '';
  });
  protected readonly past = computed(() =>
    this.run()
      .stations.slice(0, this.run().at)
      .map((station, index) => ({
        index,
        label:
          station.kind === 'stone'
            ? this.nameOf()(this.run().steps[station.step]?.abrasiveId ?? '')
            : STATION_TEXT[station.kind].title,
      })),
  );

  protected addStrokes(): void {
    this.putIn.emit({ kind: 'strokes', abrasiveId: this.stone(), strokes: this.strokes() ?? 0 });
  }
}
