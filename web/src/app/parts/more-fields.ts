import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { format } from 'date-fns/format';
import { MultiSelect } from 'primeng/multiselect';
import {
  type Abrasive,
  costOfUse,
  kindFacts,
  type Sheets,
  STROP_FACES,
  type StropFace,
  usualSheetUses,
} from '@mellow-anvil/core/abrasive';
import { EDGE_SHAPES, type EdgeShape } from '@mellow-anvil/core/blade';
import type { Sentences } from '../ui/checks';
import { ChoiceField } from '../ui/choice-field';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import { AbrasivesStore } from '../data/abrasives.store';
import type { FieldChange } from '../platform/change';
import { changed } from '../platform/change';

const SHAPE_WORDS: Readonly<Record<EdgeShape, string>> = {
  straight: 'Straight edges',
  'outside-curve': 'Outside of a curve',
  'inside-curve': 'Inside of a curve',
  hook: 'Hooks',
};
const FACE_WORDS: Readonly<Record<StropFace['face'], string>> = {
  'rough-leather': 'Leather, rough side',
  'smooth-leather': 'Leather, smooth side',
  wood: 'Wood',
  mdf: 'MDF',
  card: 'Card',
  felt: 'Felt',
};

/** Size, sets, place, shapes served, and what only sheets or strops have. */
@Component({
  selector: 'ma-more-fields',
  imports: [ChoiceField, FormsModule, LineField, MultiSelect, QuantityField],
  templateUrl: './more-fields.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
      gap: 0.9rem 1.2rem;
    }
    .field {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      min-width: 0;
      gap: 0.2rem;
      align-content: start;
    }
    .field label {
      font-weight: 700;
      font-size: 0.95rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MoreFields {
  readonly draft = model.required<Abrasive>();
  readonly sentences = input<Sentences>({});
  /** The stone itself, which is no neighbour of its own. */
  readonly id = input<string | undefined>();

  private readonly figures = inject(Figures);
  protected readonly none = NaN;
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  protected readonly shapes = EDGE_SHAPES.map((value) => ({ value, label: SHAPE_WORDS[value] }));
  protected readonly stropFaces = STROP_FACES.map((value) => ({ value, label: FACE_WORDS[value] }));
  protected readonly faces = [
    { value: '', label: 'Only one' },
    { value: 'upper', label: 'Upper' },
    { value: 'lower', label: 'Lower' },
  ];
  protected readonly upkeep = computed(() => kindFacts(this.draft().kind).upkeep);
  protected readonly planned = computed(() => kindFacts(this.draft().kind).factor !== undefined);
  protected readonly round = computed(() =>
    ['slip', 'rod-paper', 'profiled-strop'].includes(this.draft().kind),
  );
  protected readonly serves = computed(() => this.draft().serves ?? kindFacts(this.draft().kind).serves);
  protected readonly sets = computed(() => (this.draft().sets ?? []).join(', '));
  protected readonly usual = computed(() => usualSheetUses(this.draft()));
  protected readonly neighbours = computed(() => [
    { value: '', label: '–' },
    ...this.stones()
      .filter(({ id }) => id !== this.id())
      .map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly costHint = computed(() => {
    const cost = costOfUse(this.draft());
    return cost === undefined || !Number.isFinite(cost)
      ? 'In your own money'
      : `${this.figures.number(cost, 2, true)} a honing`;
  });

  protected set(change: FieldChange<Abrasive>): void {
    this.draft.update((draft) => changed(draft, change));
  }

  protected setSets(text: string): void {
    const names = [
      ...new Set(
        text
          .split(',')
          .map((name) => name.trim())
          .filter(Boolean),
      ),
    ];
    this.set({ sets: names.length > 0 ? names : undefined });
  }

  protected place(side: 'coarserId' | 'finerId', id: string): void {
    const { [side]: _, ...other } = this.draft().between ?? {};
    const between = id ? { ...other, [side]: id } : other;
    this.set({ between: Object.keys(between).length > 0 ? between : undefined });
  }

  protected sheet(change: FieldChange<Sheets>): void {
    this.set({ sheets: changed({ usesEach: this.usual(), ...this.draft().sheets }, change) });
  }

  protected count(count: number | undefined): void {
    const on = format(new Date(), 'yyyy-MM-dd');
    this.sheet({ counted: count === undefined ? undefined : { on, count } });
  }

  protected strop(change: FieldChange<StropFace>): void {
    this.set({ strop: changed<StropFace>({ face: 'smooth-leather', ...this.draft().strop }, change) });
  }
}
