import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import type { Stored } from '@mellow-anvil/contract';
import {
  type ConditionKind,
  familyFacts,
  type Tool,
  USE_MEASURES,
  type UseMeasure,
} from '@mellow-anvil/core/blade';
import type { Chips, Session, Use } from '@mellow-anvil/core/record';
import { CONDITION_WORDS } from '../../words/condition-words';
import { SessionsStore } from '../../data/sessions.store';
import { LineField } from '../../ui/line-field';
import { Notices } from '../../platform/notices';
import { QuantityField } from '../../ui/quantity-field';
import { filled, fromLocal, toLocal } from '../../data/blank-entry';
import { EntryOutcome } from './entry-outcome';
import { EntrySteps } from './entry-steps';
import { KIND_WORDS, MEASURE_WORDS } from '../../words/entry-words';
import { Draft } from '../../ui/draft';
import type { SessionSetting } from '@mellow-anvil/core/guide';
import type { FieldChange } from '../../platform/change';
import { changed } from '../../platform/change';

const NEW_NICK_MM = 0.2;

/** One entry of a tool's record: put in, put right, or taken out. */
@Component({
  selector: 'ma-entry-edit',
  imports: [Button, EntryOutcome, EntrySteps, FormsModule, InputText, LineField, QuantityField, SelectButton],
  templateUrl: './entry-edit.html',
  styles: `
    form {
      display: grid;
      gap: 0.8rem;
      padding: 0.8rem;
      background: var(--raised);
      border-left: var(--mark) solid var(--accent);
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 0.7rem 1.2rem;
      align-items: start;
    }
    .when,
    .ask {
      display: grid;
      gap: 0.2rem;
    }
    label,
    .label {
      font-weight: 700;
      font-size: 0.95rem;
    }
    input {
      min-height: var(--touch);
    }
    ma-quantity {
      max-width: 13rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryEdit {
  readonly tool = input.required<Stored<Tool>>();
  /** The entry as stored, or one to be put in. */
  readonly entry = input.required<Session | Stored<Session>>();
  /** Kept, taken out, or left as it was. */
  readonly left = output<void>();

  private readonly sessions = inject(SessionsStore);
  private readonly notices = inject(Notices);
  private readonly editing = new Draft<Session>({
    keeper: this.sessions,
    schema: 'sessionSchema',
    begin: { toolId: '', kind: 'use', startedAt: '' },
    sent: filled,
    kept: (_, isNew) => (isNew ? 'In the record.' : 'Corrected. Undo brings back what stood there.'),
    removed: () => 'Out of the record. Undo brings it back.',
  });
  protected readonly draft = this.editing.draft;
  protected readonly sentences = this.editing.sentences;
  protected readonly refusal = this.editing.refusal;
  protected readonly sending = this.editing.sending;
  protected readonly id = `entry-${crypto.randomUUID().slice(0, 8)}`;
  protected readonly unread = NaN;
  protected readonly fromLocal = fromLocal;
  protected readonly measureWords = MEASURE_WORDS;
  protected readonly yesNo = [
    { value: true, label: 'Yes' },
    { value: false, label: 'No' },
  ];
  protected readonly conditions = (Object.keys(CONDITION_WORDS) as ConditionKind[]).map((value) => ({
    value,
    label: CONDITION_WORDS[value],
  }));

  protected readonly stored = computed((): Stored<Session> | undefined => {
    const entry = this.entry();
    return 'version' in entry ? entry : undefined;
  });
  protected readonly words = computed(() => KIND_WORDS[this.draft().kind]);
  protected readonly when = computed(() => toLocal(this.draft().startedAt));
  /** What use was counted in, the family's own way first. */
  protected readonly measures = computed((): readonly UseMeasure[] => {
    const usual = familyFacts(this.tool().family).usedIn;
    const use = this.draft().use ?? {};
    return [usual, ...USE_MEASURES.filter((each) => each !== usual && use[each] !== undefined)];
  });

  constructor() {
    effect(() => {
      const entry = this.entry();
      untracked(() => {
        if ('version' in entry) this.editing.load(entry);
        else this.draft.set(entry);
      });
    });
  }

  protected set(change: FieldChange<Session>): void {
    this.editing.set(change);
  }

  protected setUse(change: FieldChange<Use>): void {
    this.set({ use: changed<Use>(this.draft().use ?? {}, change) });
  }

  protected setAmount(measure: UseMeasure, amount: number | undefined): void {
    this.setUse({ [measure]: amount });
  }

  protected setChips(change: FieldChange<Chips>): void {
    const chips = changed<Partial<Chips>>(this.draft().chips ?? {}, change);
    this.set({ chips: chips.count === undefined ? undefined : { ...chips, count: chips.count } });
  }

  protected setAngle(angleDeg: number | undefined): void {
    this.set({ setting: angleDeg === undefined ? undefined : { ...this.draft().setting, angleDeg } });
  }

  /** Both sides are set, each by itself where its hand does so. */
  protected readonly bySides = computed(() => this.tool().edge.form === 'knife');

  protected setRight(rightDeg: number | undefined): void {
    const { setting } = this.draft();
    if (setting) this.set({ setting: changed<SessionSetting>(setting, { rightDeg }) });
  }

  protected condition(kind: ConditionKind | null): void {
    this.set({
      conditionBefore:
        kind === null ? undefined : kind === 'nicked' ? { kind, nickMm: NEW_NICK_MM } : { kind },
    });
  }

  protected async keep(): Promise<void> {
    if (await this.editing.keep()) this.left.emit();
  }

  protected async remove(): Promise<void> {
    if (await this.editing.remove()) this.left.emit();
  }
}
