import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { PlusIcon } from 'primeng/icons/plus';
import { TableModule } from 'primeng/table';
import { ABRASIVE_KINDS, grit, type Abrasive } from '@mellow-anvil/core';
import { Figures } from '../shared/figures';
import { AbrasivesStore } from './abrasives.store';
import { StoneGlyph } from './stone-glyph';

const WET = { water: 'water', oil: 'oil', dry: 'dry', compound: 'compound' } as const;
const STANDARD = {
  'FEPA-P': 'FEPA P',
  'FEPA-F': 'FEPA F',
  ANSI: 'ANSI ',
  JIS: 'JIS #',
  UM: 'as given',
} as const;

/** The bench set as a list, coarse to fine. */
@Component({
  selector: 'ma-stones',
  imports: [ButtonDirective, PlusIcon, RouterLink, StoneGlyph, TableModule],
  template: `
    <div class="room">
      <header>
        <h1>Stones</h1>
        <p class="muted">All that cuts steel on your bench, coarse to fine.</p>
        <a pButton routerLink="/stones/new">
          <svg data-p-icon="plus" aria-hidden="true"></svg>
          Add an abrasive
        </a>
      </header>
      <p-table [value]="$any(stones())" dataKey="id">
        <ng-template #header>
          <tr>
            <th><span class="visually-hidden">Drawing</span></th>
            <th>Name</th>
            <th>Kind</th>
            <th>Grade</th>
            <th class="number">Grain</th>
            <th>Wetting</th>
            <th class="number">Stroke</th>
            <th class="number">Change-over</th>
          </tr>
        </ng-template>
        <ng-template #body let-stone>
          <tr>
            <td><ma-stone-glyph [kind]="stone.kind" [lubricant]="stone.lubricant" /></td>
            <td>
              <a [routerLink]="['/stones', stone.id]">
                <b>{{ stone.name }}</b>
              </a>
              @if (stone.notes) {
                <small>{{ stone.notes }}</small>
              }
            </td>
            <td>{{ kind(stone) }}</td>
            <td class="grade">{{ grade(stone) }}</td>
            <td class="number">{{ figures.number(stone.sizeUm, 1) }} µm</td>
            <td>{{ wet(stone) }}</td>
            <td class="number">{{ figures.length(stone.strokeMm, 0) }}</td>
            <td class="number">{{ figures.minutes(stone.overheadMin) }}</td>
          </tr>
        </ng-template>
        <ng-template #emptymessage>
          <tr>
            <td colspan="8">Nothing yet. Add what you have: a stone, a plate, film on glass, a strop.</td>
          </tr>
        </ng-template>
      </p-table>
    </div>
  `,
  styles: `
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    .number,
    .grade {
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--muted);
    }
    header a {
      margin-left: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StonesPage {
  protected readonly figures = inject(Figures);
  protected readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });

  protected kind({ kind }: Abrasive): string {
    return ABRASIVE_KINDS[kind].label;
  }

  protected wet({ lubricant }: Abrasive): string {
    return WET[lubricant];
  }

  protected grade({ grade }: Abrasive): string {
    if (grade.standard === 'UM') return 'given in µm';
    const memory = grit(grade).fromMemory ? ' (from memory)' : '';
    return `${STANDARD[grade.standard]}${grade.grade.replace(/^[a-z#\s]+/i, '')}${memory}`;
  }
}
