import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import {
  type Burr,
  BURRS,
  newtonsOf,
  type Outcome,
  type Proof,
  PROOFS,
  type ProofTest,
} from '@mellow-anvil/core/record';
import { ChoiceField } from '../../ui/choice-field';
import { LineField } from '../../ui/line-field';
import { QuantityField } from '../../ui/quantity-field';
import type { Sentences } from '../../ui/checks';
import { BURR_SAID, PROOF_PASSED } from '../../words/entry-words';
import type { FieldChange } from '../../platform/change';
import { changed } from '../../platform/change';

const NOT_SAID = '';

/** How a sharpening came out: burr, each test it was proved by, one word; to be put right. */
@Component({
  selector: 'ma-entry-outcome',
  imports: [ChoiceField, FormsModule, LineField, QuantityField, SelectButton],
  templateUrl: './entry-outcome.html',
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.7rem 1.2rem;
      align-items: end;
    }
    .proof {
      display: flex;
      gap: 0.5rem;
      align-items: end;
    }
    ma-choice {
      min-width: 12rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryOutcome {
  readonly outcome = model.required<Outcome | undefined>();
  readonly sentences = input<Sentences>({});
  protected readonly none = NOT_SAID;
  protected readonly burrs = [
    { value: NOT_SAID, label: 'Not put down' },
    ...BURRS.map((value) => ({ value, label: BURR_SAID[value] })),
  ];
  protected readonly proof = computed(() =>
    (this.outcome()?.proof ?? []).map((each) => ({
      ...each,
      newtons: newtonsOf(each),
      label: `Proof: ${PROOF_PASSED[each.test][0]}`,
      options: [
        { value: true, label: PROOF_PASSED[each.test][0] },
        { value: false, label: PROOF_PASSED[each.test][1] },
      ],
    })),
  );
  protected readonly others = computed(() => {
    const had = new Set(this.proof().map(({ test }) => test));
    return [
      { value: NOT_SAID, label: 'Choose one' },
      ...PROOFS.filter((test) => !had.has(test)).map((value) => ({ value, label: PROOF_PASSED[value][0] })),
    ];
  });

  protected set(change: FieldChange<Outcome>): void {
    this.outcome.update((outcome) => changed<Outcome>(outcome ?? {}, change));
  }

  protected setBurr(burr: string): void {
    this.set({ burr: burr === NOT_SAID ? undefined : (burr as Burr) });
  }

  /** Tapped again, an answer is taken back: that test was not made. */
  protected setProof(test: ProofTest, passed: boolean | null): void {
    const others = (this.outcome()?.proof ?? []).filter((each) => each.test !== test);
    const before = this.outcome()?.proof?.find((each) => each.test === test);
    const proof: readonly Proof[] = passed === null ? others : [...others, { ...before, test, passed }];
    this.set({ proof: proof.length > 0 ? proof : undefined });
  }

  protected setNewtons(newtons: number | undefined): void {
    const proof = (this.outcome()?.proof ?? []).map(({ grams: _, ...each }) =>
      each.test === 'force' ? { ...each, newtons: newtons ?? NaN } : each,
    );
    this.set({ proof });
  }
}
