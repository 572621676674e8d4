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
} from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { Sentences } from '../ui/checks';
import { Figures } from '../ui/figures';
import { ChoiceField } from '../ui/choice-field';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import { usualLubricant } from './stone-draft';

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
  template: `
    <ma-choice label="Kind" [options]="kinds" [value]="draft().kind" (valueChange)="kind($event)" />
    <ma-choice
      label="Graded in"
      [options]="standards"
      [value]="draft().grade.standard"
      (valueChange)="set({ grade: { standard: $event, grade: draft().grade.grade } })"
    />
    <ma-line
      [label]="draft().grade.standard === 'UM' ? 'Grain size' : 'Grade'"
      [most]="20"
      [value]="draft().grade.grade"
      (valueChange)="grade($event)"
      [sentence]="sentences()['grade.grade'] || (size().refused ? size().words : '')"
      [hint]="size().words"
    />
    <ma-line
      label="Name"
      [value]="draft().name"
      (valueChange)="set({ name: $event })"
      [sentence]="sentences()['name']"
    />
    @if (!brief()) {
      <ma-choice
        label="Wetted with"
        [options]="lubricants"
        [value]="draft().lubricant"
        (valueChange)="set({ lubricant: $event })"
        [sentence]="sentences()['lubricant']"
      />
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

  protected set(change: Partial<Abrasive>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
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
