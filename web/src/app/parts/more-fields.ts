import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { format } from 'date-fns';
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
  template: `
    <ma-quantity
      label="Length of its face"
      [value]="draft().lengthMm"
      (valueChange)="set({ lengthMm: $event })"
      [sentence]="sentences()['lengthMm']"
    />
    <ma-quantity
      label="Width of its face"
      [value]="draft().widthMm"
      (valueChange)="set({ widthMm: $event })"
      [sentence]="sentences()['widthMm']"
      hint="A hollow is reckoned across it"
    />
    @if (round()) {
      <ma-quantity
        label="Radius of what is round"
        [value]="draft().radiusMm"
        (valueChange)="set({ radiusMm: $event })"
        [sentence]="sentences()['radiusMm']"
      />
    }
    <ma-line
      label="Stands in the sets"
      [most]="200"
      [value]="sets()"
      (valueChange)="setSets($event)"
      [sentence]="sentences()['sets']"
      hint="Names with commas between; empty: in every set"
    />
    @if (planned()) {
      <div class="field">
        <label for="serves" id="serves-label">Serves</label>
        <p-multiSelect
          inputId="serves"
          ariaLabelledBy="serves-label"
          appendTo="body"
          [options]="shapes"
          optionLabel="label"
          optionValue="value"
          [ngModel]="serves()"
          (ngModelChange)="set({ serves: $event.length ? $event : undefined })"
        />
      </div>
    }
    <ma-choice
      label="Finer than (by hand)"
      [options]="neighbours()"
      [value]="draft().between?.coarserId ?? ''"
      (valueChange)="place('coarserId', $event)"
    />
    <ma-choice
      label="Coarser than (by hand)"
      [options]="neighbours()"
      [value]="draft().between?.finerId ?? ''"
      (valueChange)="place('finerId', $event)"
    />
    @if (upkeep() === 'sheet') {
      <ma-line
        label="Lies on"
        [most]="60"
        [value]="draft().sheets?.plate ?? ''"
        (valueChange)="sheet({ plate: $event || undefined })"
        [sentence]="sentences()['sheets.plate']"
        hint="Float glass, granite; several grades share a plate"
      />
      <ma-choice
        label="On its face"
        [options]="faces"
        [value]="draft().sheets?.face ?? ''"
        (valueChange)="sheet({ face: $any($event || undefined) })"
      />
      <ma-quantity
        label="A sheet serves (honings)"
        quantity="number"
        [value]="draft().sheets?.usesEach ?? usual()"
        (valueChange)="sheet({ usesEach: $event ?? none })"
        [sentence]="sentences()['sheets.usesEach']"
        hint="Paper once, film several times"
      />
      <ma-quantity
        label="A sheet costs"
        quantity="number"
        [value]="draft().sheets?.costEach"
        (valueChange)="sheet({ costEach: $event })"
        [sentence]="sentences()['sheets.costEach']"
        [hint]="costHint()"
      />
      <ma-quantity
        label="Sheets on the shelf today"
        quantity="number"
        [value]="draft().sheets?.counted?.count"
        (valueChange)="count($event)"
        [sentence]="sentences()['sheets.counted.count']"
        hint="Counted down as you put new ones on"
      />
    }
    @if (upkeep() === 'charge') {
      <ma-choice
        label="Face of the strop"
        [options]="stropFaces"
        [value]="draft().strop?.face ?? 'smooth-leather'"
        (valueChange)="strop({ face: $event })"
      />
      <ma-quantity
        label="Its thickness"
        [value]="draft().strop?.thicknessMm"
        (valueChange)="strop({ thicknessMm: $event })"
        [sentence]="sentences()['strop.thicknessMm']"
        hint="Thick and soft gives: come in a little under the angle"
      />
      <ma-line
        label="Compound"
        [most]="60"
        [value]="draft().strop?.compound ?? ''"
        (valueChange)="strop({ compound: $event || undefined })"
        [sentence]="sentences()['strop.compound']"
        hint="2–5 µm works faster for carvers than ultra-fine"
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

  protected set(change: Partial<Abrasive>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
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

  protected sheet(change: Partial<Sheets>): void {
    this.set({ sheets: { usesEach: this.usual(), ...this.draft().sheets, ...change } });
  }

  protected count(count: number | undefined): void {
    const on = format(new Date(), 'yyyy-MM-dd');
    this.sheet({ counted: count === undefined ? undefined : { on, count } });
  }

  protected strop(change: Partial<StropFace>): void {
    this.set({ strop: { face: 'smooth-leather', ...this.draft().strop, ...change } });
  }
}
