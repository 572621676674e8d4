import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import type { Stored } from '@mellow-anvil/contract';
import type { UseMeasure } from '@mellow-anvil/core/blade';
import type { Chips, LastUse, Session, Use } from '@mellow-anvil/core/record';
import { filled } from '../data/blank-entry';
import { MEASURE_WORDS, useWords } from '../words/entry-words';
import { RecordsStore, type Records } from '../data/records.store';
import { SessionsStore } from '../data/sessions.store';
import { contentOf } from '../data/collection.store';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { Notices } from '../platform/notices';
import { QuantityField } from '../ui/quantity-field';
import type { FieldChange } from '../platform/change';
import { changed } from '../platform/change';

const STEP: Readonly<Record<UseMeasure, number>> = { minutes: 15, metresPlaned: 10, mortises: 1 };
const FIRST_CHIP_MM = 0.1;

/** A spell of use just put down in one tap, to be put right where it was not like the last. */
@Component({
  selector: 'ma-use-panel',
  imports: [Button, FormsModule, LineField, QuantityField, SelectButton],
  templateUrl: './use-panel.html',
  styles: `
    section {
      display: grid;
      gap: 0.6rem;
      grid-template-columns: 1fr 1fr;
      width: min(34rem, 82vw);
    }
    p,
    .amount,
    .actions {
      grid-column: 1 / -1;
    }
    .amount,
    .ask {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      align-content: start;
      gap: 0.2rem 0.4rem;
    }
    .label {
      flex: 1 0 100%;
      font-weight: 700;
      font-size: 0.95rem;
    }
    .amount ::ng-deep .p-button {
      min-width: 52px;
      min-height: var(--touch);
      font-size: 1.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UsePanel {
  readonly toolName = input.required<string>();
  readonly stored = input.required<Stored<Session>>();
  readonly left = output<void>();

  private readonly sessions = inject(SessionsStore);
  private readonly notices = inject(Notices);
  private readonly figures = inject(Figures);
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  protected readonly draft = signal<Session>({ toolId: '', kind: 'use', startedAt: '' });
  protected readonly yesNo = [
    { value: true, label: 'Yes' },
    { value: false, label: 'No' },
  ];
  protected readonly noYes = [
    { value: false, label: 'No' },
    { value: true, label: 'Yes' },
  ];

  protected readonly measure = computed((): UseMeasure => {
    const { use = {} } = this.stored();
    return use.metresPlaned !== undefined
      ? 'metresPlaned'
      : use.mortises !== undefined
        ? 'mortises'
        : 'minutes';
  });
  protected readonly measureWord = computed(() => MEASURE_WORDS[this.measure()]);
  protected readonly words = computed(() => {
    const { who } = this.stored();
    return `${useWords(this.stored(), this.figures)}${who ? `, ${who}` : ''}.`;
  });
  protected readonly changed = computed(
    () => JSON.stringify(filled(this.draft())) !== JSON.stringify(filled(contentOf<Session>(this.stored()))),
  );
  /** What the other tools were last used on, and by whom. */
  protected readonly woods = computed(() => this.lately((use) => use.use.wood));
  protected readonly hands = computed(() => this.lately((use) => use.who));

  constructor() {
    effect(() => this.draft.set(contentOf<Session>(this.stored())));
  }

  protected set(change: FieldChange<Session>): void {
    this.draft.update((draft) => changed(draft, change));
  }

  protected setUse(change: FieldChange<Use>): void {
    this.set({ use: changed<Use>(this.draft().use ?? {}, change) });
  }

  protected setAmount(measure: UseMeasure, amount: number | undefined): void {
    this.setUse({ [measure]: amount });
  }

  protected more(times: number): void {
    const measure = this.measure();
    const now = this.draft().use?.[measure] ?? 0;
    this.setAmount(measure, Math.max(STEP[measure], now + times * STEP[measure]));
  }

  protected setChips(change: FieldChange<Chips>): void {
    this.set({ chips: changed<Chips>(this.draft().chips ?? { count: 1 }, change) });
  }

  protected chipped(yes: boolean): void {
    this.set({ chips: yes ? { count: 1, deepestMm: FIRST_CHIP_MM } : undefined });
  }

  protected keep(): void {
    if (!this.changed()) {
      this.left.emit();
      return;
    }
    const { id, version } = this.stored();
    this.sessions.change(id, version, filled(this.draft())).subscribe({
      next: () => this.left.emit(),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected takeBack(): void {
    this.sessions.remove(this.stored()).subscribe({
      next: () => this.left.emit(),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  private lately(of: (use: LastUse) => string | undefined): readonly string[] {
    const inOrder = Object.values(this.records())
      .flatMap(({ lastUse }) => (lastUse ? [lastUse] : []))
      .sort((a, b) => b.at.localeCompare(a.at))
      .flatMap((use) => of(use) ?? []);
    return [...new Set(inOrder)].slice(0, 4);
  }
}
