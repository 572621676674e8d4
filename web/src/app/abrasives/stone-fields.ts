import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import {
  ABRASIVE_KINDS,
  ABRASIVE_KIND_NAMES,
  GRIT_STANDARDS,
  LUBRICANTS,
  Refusal,
  grit,
  type Abrasive,
  type AbrasiveKind,
} from '@mellow-anvil/core';
import type { Sentences } from '../shared/checks';
import { Figures } from '../shared/figures';
import { QuantityField } from '../shared/quantity-field';
import { usualLubricant } from './stone-draft';

const STANDARD_WORDS = {
  'FEPA-P': 'P grade (FEPA P)',
  'FEPA-F': 'F grade (FEPA F)',
  ANSI: 'ANSI / CAMI',
  JIS: 'JIS (#)',
  UM: 'Microns (µm)',
} as const;
const LUBRICANT_WORDS = { water: 'Water', oil: 'Oil', dry: 'Nothing, dry', compound: 'Compound' } as const;

let forms = 0;

/** Every field of an abrasive, with the size its grade means read out at once. */
@Component({
  selector: 'ma-stone-fields',
  imports: [FormsModule, InputText, QuantityField, Select],
  template: `
    <div class="field">
      <label [for]="id + 'kind'" [id]="id + 'kind-label'">Kind</label>
      <p-select
        [inputId]="id + 'kind'"
        [ariaLabelledBy]="id + 'kind-label'"
        [options]="kinds"
        optionLabel="label"
        optionValue="value"
        [ngModel]="draft().kind"
        (ngModelChange)="kind($event)"
      />
    </div>
    <div class="field">
      <label [for]="id + 'standard'" [id]="id + 'standard-label'">Graded in</label>
      <p-select
        [inputId]="id + 'standard'"
        [ariaLabelledBy]="id + 'standard-label'"
        [options]="standards"
        optionLabel="label"
        optionValue="value"
        [ngModel]="draft().grade.standard"
        (ngModelChange)="set({ grade: { standard: $event, grade: draft().grade.grade } })"
      />
    </div>
    <div class="field">
      <label [for]="id + 'grade'">{{ draft().grade.standard === 'UM' ? 'Grain size' : 'Grade' }}</label>
      <input
        pInputText
        [id]="id + 'grade'"
        maxlength="20"
        autocomplete="off"
        [ngModel]="draft().grade.grade"
        (ngModelChange)="grade($event)"
        [invalid]="size().refused || !!sentences()['grade.grade']"
        [attr.aria-describedby]="id + 'grade-says'"
      />
      <small
        [id]="id + 'grade-says'"
        [class.sentence-error]="size().refused || !!sentences()['grade.grade']"
        aria-live="polite"
      >
        {{ sentences()['grade.grade'] || size().words }}
      </small>
    </div>
    <div class="field">
      <label [for]="id + 'name'">Name</label>
      <input
        pInputText
        [id]="id + 'name'"
        maxlength="80"
        autocomplete="off"
        [ngModel]="draft().name"
        (ngModelChange)="set({ name: $event })"
        [invalid]="!!sentences()['name']"
        [attr.aria-describedby]="id + 'name-says'"
      />
      <small [id]="id + 'name-says'" [class.sentence-error]="!!sentences()['name']">
        {{ sentences()['name'] ?? '' }}
      </small>
    </div>
    @if (!brief()) {
      <div class="field">
        <label [for]="id + 'wet'" [id]="id + 'wet-label'">Wetted with</label>
        <p-select
          [inputId]="id + 'wet'"
          [ariaLabelledBy]="id + 'wet-label'"
          [options]="lubricants"
          optionLabel="label"
          optionValue="value"
          [ngModel]="draft().lubricant"
          (ngModelChange)="set({ lubricant: $event })"
        />
        @if (sentences()['lubricant']; as sentence) {
          <small class="sentence-error">{{ sentence }}</small>
        }
      </div>
      <ma-quantity
        label="Length of a stroke"
        [value]="draft().strokeMm"
        (valueChange)="set({ strokeMm: $event ?? none })"
        [sentence]="sentences()['strokeMm']"
        hint="As much of the stone as a stroke uses"
      />
      <ma-quantity
        label="Change-over"
        quantity="minutes"
        [value]="draft().overheadMin"
        (valueChange)="set({ overheadMin: $event ?? none })"
        [sentence]="sentences()['overheadMin']"
        hint="Wetting, washing and wiping each time"
      />
      <ma-quantity
        label="Push on this stone (N)"
        quantity="number"
        [value]="draft().forceN"
        (valueChange)="set({ forceN: $event })"
        [sentence]="sentences()['forceN']"
        hint="Empty: as the plan says"
      />
      <ma-quantity
        label="Your own rate (mm³ per N·m)"
        quantity="number"
        [value]="draft().removalMm3PerNm"
        (valueChange)="set({ removalMm3PerNm: $event })"
        [sentence]="sentences()['removalMm3PerNm']"
        hint="Empty: estimated from grain and kind"
      />
      <ma-quantity
        label="Scratches it leaves"
        quantity="micron"
        [value]="draft().scratchUm"
        (valueChange)="set({ scratchUm: $event })"
        [sentence]="sentences()['scratchUm']"
        hint="Empty: 0.12 of the grain, an estimate"
      />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
      gap: 0.9rem 1.2rem;
    }
    .field {
      display: grid;
      gap: 0.2rem;
      align-content: start;
    }
    label {
      font-weight: 700;
      font-size: 0.95rem;
    }
    input,
    p-select {
      min-height: 44px;
      width: 100%;
    }
    small {
      color: var(--muted);
      font-size: 0.9rem;
    }
    small.sentence-error {
      color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StoneFields {
  readonly draft = model.required<Abrasive>();
  readonly sentences = input<Sentences>({});
  /** Only what a plan needs: kind, grade and name. */
  readonly brief = input(false);

  private readonly figures = inject(Figures);
  protected readonly id = `stone-${forms++}-`;
  protected readonly none = NaN;
  protected readonly kinds = ABRASIVE_KIND_NAMES.map((value) => ({
    value,
    label: ABRASIVE_KINDS[value].label,
  }));
  protected readonly standards = GRIT_STANDARDS.map((value) => ({ value, label: STANDARD_WORDS[value] }));
  protected readonly lubricants = LUBRICANTS.map((value) => ({ value, label: LUBRICANT_WORDS[value] }));

  protected readonly size = computed((): { words: string; refused: boolean } => {
    const { grade } = this.draft();
    if (grade.grade.trim() === '') return { words: '', refused: false };
    try {
      const { sizeUm, fromMemory } = grit(grade);
      const memory = fromMemory ? ' (table from memory)' : '';
      return {
        words: grade.standard === 'UM' ? '' : `${this.figures.number(sizeUm, 1)} µm${memory}`,
        refused: false,
      };
    } catch (reason) {
      if (reason instanceof Refusal) return { words: reason.message, refused: true };
      throw reason;
    }
  });

  protected set(change: Partial<Abrasive>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected kind(kind: AbrasiveKind): void {
    const named = this.draft().name === suggestedName(this.draft());
    this.set({ kind, lubricant: usualLubricant(kind) });
    if (named) this.set({ name: suggestedName(this.draft()) });
  }

  /** The name follows the grade until the user gives one. */
  protected grade(grade: string): void {
    const named = this.draft().name === '' || this.draft().name === suggestedName(this.draft());
    this.set({ grade: { standard: this.draft().grade.standard, grade } });
    if (named) this.set({ name: suggestedName(this.draft()) });
  }
}

function suggestedName({ kind, grade }: Abrasive): string {
  if (grade.grade.trim() === '') return '';
  return `${ABRASIVE_KINDS[kind].label} ${grade.grade.trim()}${grade.standard === 'UM' && !/[µu]m/.test(grade.grade) ? ' µm' : ''}`;
}
