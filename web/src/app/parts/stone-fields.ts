import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import {
  type Abrasive,
  ABRASIVE_KIND_NAMES,
  ABRASIVE_KINDS,
  type AbrasiveKind,
  grit,
  GRIT_STANDARDS,
  isWheel,
  kindFacts,
  LUBRICANTS,
  usualLubricant,
} from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { Sentences } from '../ui/checks';
import { Figures } from '../ui/figures';
import { ChoiceField } from '../ui/choice-field';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import type { FieldChange } from '../platform/change';
import { changed } from '../platform/change';

const STANDARD_WORDS = {
  'FEPA-P': 'P grade (FEPA P)',
  'FEPA-F': 'F grade (FEPA F)',
  ANSI: 'ANSI / CAMI',
  JIS: 'JIS (#)',
  UM: 'Microns (µm)',
} as const;
const LUBRICANT_WORDS = { water: 'Water', oil: 'Oil', dry: 'Nothing, dry', compound: 'Compound' } as const;

/** Every field of an abrasive, with the size its grade means read out at once. */
@Component({
  selector: 'ma-stone-fields',
  imports: [ChoiceField, LineField, QuantityField],
  templateUrl: './stone-fields.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
      gap: 0.9rem 1.2rem;
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
  protected readonly none = NaN;
  protected readonly kinds = ABRASIVE_KIND_NAMES.map((value) => ({
    value,
    label: ABRASIVE_KINDS[value].label,
  }));
  protected readonly standards = GRIT_STANDARDS.map((value) => ({ value, label: STANDARD_WORDS[value] }));
  protected readonly lubricants = LUBRICANTS.map((value) => ({ value, label: LUBRICANT_WORDS[value] }));

  protected readonly size = computed((): { words: string; refused: boolean } => {
    const { grade, between } = this.draft();
    if (grade.grade.trim() === '') {
      return { words: between ? 'None needed: it counts by its place' : '', refused: false };
    }
    const result = attempt(() => {
      const { sizeUm, fromMemory } = grit(grade);
      const memory = fromMemory ? ' (table from memory)' : '';
      return {
        words: grade.standard === 'UM' ? '' : `${this.figures.number(sizeUm, 1)} µm${memory}`,
        refused: false,
      };
    });
    return result instanceof Refusal ? { words: result.message, refused: true } : result;
  });

  protected set(change: FieldChange<Abrasive>): void {
    this.draft.update((draft) => changed(draft, change));
  }

  protected kind(kind: AbrasiveKind): void {
    const named = this.draft().name === suggestedName(this.draft());
    const { upkeep } = kindFacts(kind);
    this.set({
      kind,
      lubricant: usualLubricant(kind),
      // What the new kind does not have goes with the old one.
      ...(!isWheel({ kind }) && { wheel: undefined }),
      ...(upkeep !== 'sheet' && { sheets: undefined }),
      ...(upkeep !== 'charge' && { strop: undefined }),
      serves: undefined,
    });
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
