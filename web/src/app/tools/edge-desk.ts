import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, model, output } from '@angular/core';
import {
  ASSUMED_LAND_MM,
  FAMILIES,
  Refusal,
  STEELS,
  STEEL_NAMES,
  recessionForLand,
  type Family,
  type SingleBevelEdge,
} from '@mellow-anvil/core';
import type { Sentences } from '../shared/checks';
import { Figures } from '../shared/figures';
import { ChoiceField } from '../shared/choice-field';
import { LineField } from '../shared/line-field';
import { QuantityField } from '../shared/quantity-field';
import { OFFERED, usualBlade, type BladeDraft, type SingleBevelDraft } from './blade';
import { EdgeSection, type AngleDrag } from './edge-section';
import { FrontView } from './front-view';

/** A flat-backed edge on the desk: the drawing with its handles, and every figure beside it. */
@Component({
  selector: 'ma-edge-desk',
  imports: [ChoiceField, EdgeSection, FrontView, LineField, NgTemplateOutlet, QuantityField],
  template: `
    @if (fresh()) {
      <ng-container [ngTemplateOutlet]="identity" />
      <ng-container [ngTemplateOutlet]="figuresTyped" />
      <ng-container [ngTemplateOutlet]="drawings" />
    } @else {
      <ng-container [ngTemplateOutlet]="drawings" />
      <ng-container [ngTemplateOutlet]="figuresTyped" />
      @if (behind(); as words) {
        <p class="muted">{{ words }}</p>
      }
      <ng-container [ngTemplateOutlet]="identity" />
    }
    <ng-template #drawings>
      <div class="drawings">
        @if (drawable(); as edge) {
          <ma-edge-section [edge]="edge" (dragged)="drag($event)" (released)="settled.emit()" />
          <ma-front-view [edge]="edge" />
        } @else {
          <p class="muted gap">
            The edge is drawn as soon as its width, thickness and primary angle can be read.
          </p>
        }
      </div>
    </ng-template>
    <ng-template #figuresTyped>
      <div class="fields figures">
        <ma-quantity
          label="Width"
          [value]="draft().edge.widthMm"
          (valueChange)="setEdge({ widthMm: $event })"
          [sentence]="sentences()['edge.widthMm']"
          (settled)="settled.emit()"
        />
        <ma-quantity
          label="Thickness"
          [value]="draft().edge.thicknessMm"
          (valueChange)="setEdge({ thicknessMm: $event })"
          [sentence]="sentences()['edge.thicknessMm']"
          (settled)="settled.emit()"
        />
        <ma-quantity
          label="Primary angle"
          quantity="angle"
          [value]="draft().edge.primaryDeg"
          (valueChange)="setEdge({ primaryDeg: $event })"
          [sentence]="sentences()['edge.primaryDeg']"
          [hint]="usual()"
          (settled)="settled.emit()"
        />
        <ma-quantity
          label="Secondary angle"
          quantity="angle"
          [value]="draft().edge.secondaryDeg"
          (valueChange)="setEdge({ secondaryDeg: $event })"
          [sentence]="sentences()['edge.secondaryDeg']"
          hint="Empty where one bevel is honed whole"
          (settled)="settled.emit()"
        />
        @if (!fresh()) {
          <ma-quantity
            label="Micro-bevel"
            quantity="angle"
            [value]="draft().edge.microDeg"
            (valueChange)="setEdge({ microDeg: $event })"
            [sentence]="sentences()['edge.microDeg']"
            hint="Empty unless you add one"
            (settled)="settled.emit()"
          />
          @if (draft().edge.secondaryDeg !== undefined) {
            <ma-quantity
              label="Land now"
              [value]="land()?.mm"
              (valueChange)="landTyped = $event"
              [sentence]="sentences()['landMm']"
              [hint]="land()?.from ?? ''"
              (settled)="measure()"
            />
          }
        }
      </div>
    </ng-template>
    <ng-template #identity>
      <div class="fields">
        <ma-line
          label="Name"
          [value]="draft().name"
          (valueChange)="set({ name: $event })"
          [sentence]="sentences()['name']"
          (settled)="settled.emit()"
        />
        <ma-choice
          label="Family"
          [options]="families"
          [value]="draft().family"
          (valueChange)="choose($event)"
        />
        <ma-choice
          class="wide"
          label="Steel"
          [options]="steels"
          [value]="draft().steel"
          (valueChange)="set({ steel: $event }); settled.emit()"
        />
      </div>
    </ng-template>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
    }
    .drawings {
      display: grid;
      grid-template-columns: minmax(0, 3fr) minmax(0, 1fr);
      gap: 1rem;
      align-items: center;
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      padding: 0.4rem 0.8rem;
    }
    .gap {
      padding: 2rem 1rem;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
      gap: 0.9rem 1.2rem;
    }
    .figures {
      grid-template-columns: repeat(auto-fill, minmax(8.6rem, 1fr));
    }
    .wide {
      grid-column: span 2;
    }
    @media (max-width: 48rem) {
      .drawings {
        grid-template-columns: 1fr;
      }
      ma-front-view {
        max-width: 12rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeDesk {
  readonly draft = model.required<BladeDraft>();
  readonly sentences = input<Sentences>({});
  /** A tool that is being added: only what it needs is asked. */
  readonly fresh = input(false);
  /** The land as the record has it, and where that is from. */
  readonly land = input<{ readonly mm: number; readonly from: string }>();
  /** The land was measured with a rule, mm. */
  readonly measured = output<number>();
  /** A figure was left, an angle let go of: what stands now is meant. */
  readonly settled = output<void>();

  private readonly figures = inject(Figures);
  protected landTyped: number | undefined;
  protected readonly families = OFFERED.map((value) => ({ value, label: FAMILIES[value].label }));
  protected readonly steels = STEEL_NAMES.map((value) => ({ value, label: STEELS[value].label }));

  protected readonly drawable = computed((): SingleBevelEdge | undefined => {
    const { edge } = this.draft();
    const { widthMm, thicknessMm, primaryDeg } = edge;
    const read = (value: number | undefined): value is number => value !== undefined && value > 0;
    if (!read(widthMm) || !read(thicknessMm) || !read(primaryDeg) || primaryDeg >= 90) return undefined;
    const steeper =
      edge.secondaryDeg !== undefined && edge.secondaryDeg > primaryDeg && edge.secondaryDeg < 90;
    return {
      ...edge,
      widthMm,
      thicknessMm,
      primaryDeg,
      secondaryDeg: steeper ? edge.secondaryDeg : undefined,
      landMm: this.land()?.mm ?? (read(edge.landMm) ? edge.landMm : undefined),
    };
  });

  protected readonly usual = computed(() => {
    const [least, most] = FAMILIES[this.draft().family].primaryDeg;
    const usual =
      least === most
        ? this.figures.angle(least)
        : `${this.figures.angle(least)} to ${this.figures.angle(most)}`;
    return `Usual: ${usual} (common practice)`;
  });

  protected readonly behind = computed(() => {
    const edge = this.drawable();
    if (edge?.secondaryDeg === undefined) return '';
    const land = edge.landMm ?? ASSUMED_LAND_MM;
    try {
      const recession = recessionForLand(edge.primaryDeg, edge.secondaryDeg, land);
      return `Behind a land of ${this.figures.length(land)} the edge has receded ${this.figures.sliver(recession)} from where the grinder left it (dashed).`;
    } catch (reason) {
      if (reason instanceof Refusal) return '';
      throw reason;
    }
  });

  protected measure(): void {
    const typed = this.landTyped;
    this.landTyped = undefined;
    if (typed !== undefined && typed !== this.land()?.mm) this.measured.emit(typed);
  }

  protected set(change: Partial<BladeDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected setEdge(change: Partial<SingleBevelDraft>): void {
    this.draft.update((draft) => ({ ...draft, edge: { ...draft.edge, ...change } }));
  }

  /** A new tool of another family begins with that family's usual figures. */
  protected choose(family: Family): void {
    this.set(this.fresh() ? { family, edge: usualBlade(family) } : { family });
    this.settled.emit();
  }

  protected drag({ field, deg }: AngleDrag): void {
    this.setEdge({ [field]: deg });
  }
}
