import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import {
  type Condition,
  type ConditionKind,
  CONDITIONS,
  type Edge,
  type Fault,
  type FaultKind,
  FAULTS,
} from '@mellow-anvil/core/blade';
import { isForeign } from '@mellow-anvil/core/curve';
import { mayBeUnsharpened } from '@mellow-anvil/core/work';
import { QuantityField } from '../../ui/quantity-field';
import { CONDITION_WORDS, FAULT_WORDS } from '../../words/condition-words';

const NEW_NICK_MM = 0.2;
const NEW_FAULT_MM = 0.3;
const STEEPER_DEG = 4;

/** How the edge is: how dull, and what else is wrong, each fault as far as it reaches. */
@Component({
  selector: 'ma-condition-ask',
  imports: [FormsModule, QuantityField, SelectButton],
  templateUrl: './condition-ask.html',
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    .faults {
      display: flex;
      flex-wrap: wrap;
      gap: 0.7rem 1.4rem;
      align-items: start;
    }
    p-selectButton {
      flex-wrap: wrap;
      max-width: 100%;
    }
    .ask {
      min-width: 0;
      display: grid;
      gap: 0.2rem;
    }
    .label {
      font-weight: 700;
      font-size: 0.95rem;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
      padding: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConditionAsk {
  readonly condition = input.required<Condition>();
  /** The bevel as it should be, for a wrong one to begin from. */
  readonly groundDeg = input(25);
  readonly edge = input.required<Edge>();
  readonly said = input.required<(part: string) => string>();
  readonly asked = output<Condition>();

  protected readonly kinds = CONDITIONS.map((value) => ({ value, label: CONDITION_WORDS[value] }));
  protected readonly faultKinds = computed(() =>
    FAULTS.filter((kind) => mayHave(this.edge(), kind)).map((value) => ({
      value,
      label: FAULT_WORDS[value].label,
    })),
  );
  protected readonly faults = computed(() => this.condition().faults ?? []);
  protected readonly chosen = computed(() => this.faults().map(({ kind }) => kind));
  protected readonly asks = computed(() =>
    this.faults().flatMap(({ kind, mm, foundDeg }, at) => {
      const { ask } = FAULT_WORDS[kind];
      return ask ? [{ kind, ask, at, value: kind === 'wrong-angle' ? foundDeg : mm }] : [];
    }),
  );

  protected kind(kind: ConditionKind): void {
    const { faults } = this.condition();
    this.asked.emit({
      kind,
      ...(kind === 'nicked' && { nickMm: NEW_NICK_MM }),
      ...(faults && { faults }),
    });
  }

  protected choose(kinds: readonly FaultKind[]): void {
    const faults = kinds.map(
      (kind) => this.faults().find((fault) => fault.kind === kind) ?? this.fresh(kind),
    );
    const { faults: _, ...rest } = this.condition();
    this.asked.emit(faults.length > 0 ? { ...rest, faults } : rest);
  }

  protected reach(kind: FaultKind, value: number | undefined): void {
    const figure = value ?? NaN;
    const faults = this.faults().map((fault) =>
      fault.kind === kind
        ? { kind, ...(kind === 'wrong-angle' ? { foundDeg: figure } : { mm: figure }) }
        : fault,
    );
    this.asked.emit({ ...this.condition(), faults });
  }

  private fresh(kind: FaultKind): Fault {
    if (kind === 'wide-land') return { kind };
    return kind === 'wrong-angle'
      ? { kind, foundDeg: this.groundDeg() + STEEPER_DEG }
      : { kind, mm: NEW_FAULT_MM };
  }
}

/** Whether an edge can have a fault at all: some are those of one form alone. */
const mayHave = (edge: Edge, kind: FaultKind): boolean =>
  kind === 'unsharpened' ? mayBeUnsharpened(edge) : !isForeign(kind, edge);
