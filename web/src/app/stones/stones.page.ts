import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { ChevronDownIcon } from 'primeng/icons/chevrondown';
import { ChevronUpIcon } from 'primeng/icons/chevronup';
import { PlusIcon } from 'primeng/icons/plus';
import { SelectButton } from 'primeng/selectbutton';
import { TableModule, type TableRowReorderEvent } from 'primeng/table';
import {
  type Abrasive,
  ABRASIVE_KINDS,
  grit,
  standsIn,
  type StonesRecord,
} from '@mellow-anvil/core/abrasive';
import { contentOf } from '../data/collection.store';
import { Figures } from '../ui/figures';
import { Notices } from '../platform/notices';
import { AbrasivesStore } from '../data/abrasives.store';
import { StonesStore } from '../data/stones.store';
import { careSentence, stateWord } from '../words/care-words';
import { ChosenSet } from '../data/chosen-set';
import { Rail } from '../parts/rail';
import { DueList } from './due-list';
import { SetFiles } from './set-files';
import { StoneGlyph } from '../drawings/stone-glyph';

type Stone = Abrasive & { readonly sizeUm: number };

const STANDARD = {
  'FEPA-P': 'FEPA P',
  'FEPA-F': 'FEPA F',
  ANSI: 'ANSI ',
  JIS: 'JIS #',
  UM: 'as given',
} as const;

/** The bench set as a list, coarse to fine: how each stands, what is due, and its place. */
@Component({
  selector: 'ma-stones',
  imports: [
    Button,
    ButtonDirective,
    ChevronDownIcon,
    ChevronUpIcon,
    DueList,
    FormsModule,
    PlusIcon,
    Rail,
    RouterLink,
    SelectButton,
    SetFiles,
    StoneGlyph,
    TableModule,
  ],
  templateUrl: './stones.page.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: minmax(0, 1fr) auto;
      height: 100%;
    }
    .room {
      overflow-y: auto;
      gap: 0.6rem;
      grid-auto-rows: max-content;
      padding-top: 0.5rem;
      width: 100%;
      max-width: 78rem;
    }
    :host ::ng-deep .p-datatable-tbody > tr > td {
      padding-block: 0.2rem;
      line-height: 1.2;
    }
    :host ::ng-deep .p-datatable-thead > tr > th {
      padding-block: 0.4rem;
    }
    header p-selectButton {
      flex-wrap: wrap;
      max-width: 100%;
    }
    p-table {
      display: block;
      overflow-x: auto;
      max-width: 100%;
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    .number,
    .grade,
    .place,
    .called {
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--muted);
    }
    .due {
      color: var(--danger);
    }
    .grip {
      cursor: grab;
    }
    header > a {
      margin-left: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StonesPage {
  protected readonly figures = inject(Figures);
  protected readonly chosen = inject(ChosenSet);
  private readonly store = inject(AbrasivesStore);
  private readonly notices = inject(Notices);
  private readonly all = toSignal(this.store.inOrder$, { initialValue: [] });
  private readonly record = toSignal(inject(StonesStore).record$, { initialValue: {} as StonesRecord });
  protected readonly set = toSignal(this.chosen.set$);
  protected readonly sets = toSignal(this.chosen.options$, { initialValue: [] });
  protected readonly stones = computed(() => this.all().filter((stone) => standsIn(stone, this.set())));

  protected readonly standing = computed(() =>
    Object.fromEntries(
      this.stones().flatMap((stone) => {
        const known = this.record()[stone.id];
        if (!known) return [];
        const { care, rate } = known;
        return [
          [
            stone.id,
            {
              word: stateWord(stone, care),
              due: care.due !== undefined,
              says: careSentence(stone, care, this.figures),
              rate: rate.readings > 0 ? `${this.figures.number(rate.factor, 1, true)} ×` : '',
            },
          ] as const,
        ];
      }),
    ),
  );

  /** A copy for the table, which moves the rows of the very list it is given. */
  protected readonly rows = computed(() => [...this.stones()]);

  protected dropped({ dragIndex, dropIndex }: TableRowReorderEvent): void {
    if (dragIndex !== undefined && dropIndex !== undefined) this.move(dragIndex, dropIndex);
  }

  /** Puts a stone between its new neighbours by hand, whatever its grade says. */
  protected move(from: number, to: number): void {
    const stone = this.stones()[from];
    if (!stone || from === to) return;
    const others = this.stones().filter(({ id }) => id !== stone.id);
    const [coarser, finer] = [others[to - 1], others[to]];
    const between = { ...(coarser && { coarserId: coarser.id }), ...(finer && { finerId: finer.id }) };
    const { sizeUm: _, ...kept } = contentOf<Stone>(stone);
    this.store.change(stone.id, stone.version, { ...kept, between }).subscribe({
      next: () => this.notices.done(`${stone.name} stands there by hand. Undo puts it back.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected kind({ kind }: Abrasive): string {
    return ABRASIVE_KINDS[kind].label;
  }

  protected grade({ grade }: Abrasive): string {
    if (grade.standard === 'UM') return 'given in µm';
    const memory = grit(grade).fromMemory ? ' (from memory)' : '';
    return `${STANDARD[grade.standard]}${grade.grade.replace(/^[a-z#\s]+/i, '')}${memory}`;
  }
}
