import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { Tool } from '@mellow-anvil/core/blade';
import type { Station } from '@mellow-anvil/core/plan';
import type { Run } from '@mellow-anvil/core/run';
import { stationName } from '../words/station-words';

interface ListRow {
  readonly index: number;
  readonly name: string;
  /** Strokes asked for, where it is a stone. */
  readonly strokes?: number;
  readonly done: boolean;
  readonly now: boolean;
}

/** The whole order on one screen, to tick off: for those who look once and work. */
@Component({
  selector: 'ma-run-list',
  imports: [Button],
  template: `
    <h1>The whole order</h1>
    <ol>
      @for (row of rows(); track row.index) {
        <li [class.done]="row.done" [class.now]="row.now">
          <button
            type="button"
            [disabled]="row.done"
            [attr.aria-label]="(row.done ? 'Done: ' : 'Tick off as planned: ') + row.name"
            (click)="ticked.emit(row.index)"
          >
            <span class="box" aria-hidden="true">{{ row.done ? '✓' : '' }}</span>
            <span class="name">{{ row.name }}</span>
            @if (row.strokes !== undefined) {
              <b class="figure">{{ row.strokes }}</b>
            }
          </button>
        </li>
      }
    </ol>
    <footer>
      <p>A tick says it went as planned, and all before it. Where it did not, go step by step.</p>
      <p-button
        label="Step by step"
        severity="secondary"
        [outlined]="true"
        styleClass="target"
        (onClick)="shown.emit()"
      />
    </footer>
  `,
  styles: `
    :host {
      grid-row: 2 / -1;
      grid-column: 1 / -1;
      display: grid;
      grid-template-rows: auto minmax(0, 1fr) auto;
      gap: 0.5rem;
      min-height: 0;
    }
    h1 {
      font-size: 1.6rem;
      margin: 0;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
      columns: 22rem auto;
      column-gap: 1.4rem;
    }
    li {
      break-inside: avoid;
      padding: 0 0 4px;
    }
    button {
      font: inherit;
      font-size: 1.15rem;
      color: var(--ink);
      background: var(--raised);
      border: 2px solid var(--line);
      border-radius: var(--radius);
      width: 100%;
      min-height: 64px;
      display: grid;
      grid-template-columns: 2rem minmax(0, 1fr) auto;
      gap: 0.8rem;
      align-items: center;
      text-align: left;
      padding: 0 0.9rem;
      cursor: pointer;
      touch-action: manipulation;
    }
    .now button {
      border-color: var(--accent);
      border-width: 3px;
      font-weight: 700;
    }
    .done button {
      background: transparent;
      cursor: default;
      color: var(--muted);
    }
    .box {
      border: 2px solid currentColor;
      width: 1.7rem;
      height: 1.7rem;
      display: grid;
      place-content: center;
      font-weight: 700;
    }
    .figure {
      font-size: 1.6rem;
    }
    footer {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 14rem;
      gap: 1rem;
      align-items: center;
    }
    p {
      margin: 0;
    }
    footer ::ng-deep .target {
      min-height: 64px;
      font-size: 1.2rem;
    }
    @media (max-width: 40rem) {
      footer {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunList {
  readonly run = input.required<Run>();
  readonly tool = input<Tool>();
  readonly nameOf = input.required<(id: string) => string>();
  /** The station up to which all went as planned. */
  readonly ticked = output<number>();
  readonly shown = output<void>();

  protected readonly rows = computed((): readonly ListRow[] => {
    const run = this.run();
    return run.stations.map((station, index) => ({
      index,
      ...this.told(station),
      done: index < run.at,
      now: index === run.at,
    }));
  });

  private told(station: Station): Pick<ListRow, 'name' | 'strokes'> {
    const { steps, plan } = this.run();
    const name = stationName(station, this.tool()?.edge, this.nameOf(), (index) => {
      const step = steps[index];
      return step && { ...plan.steps[step.like ?? index], abrasiveId: step.abrasiveId };
    });
    return station.kind === 'stone' ? { name, strokes: steps[station.step]?.target ?? 0 } : { name };
  }
}
