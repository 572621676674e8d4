import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { unlessRefused } from '@mellow-anvil/core/base';
import {
  ASSUMED_LAND_MM,
  type Edge,
  type Family,
  familyFacts,
  recessionForLand,
  type SingleBevelEdge,
  STEEL_NAMES,
  STEELS,
  usualEdge,
} from '@mellow-anvil/core/blade';
import type { Sentences } from '../../ui/checks';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { LineField } from '../../ui/line-field';
import { FAMILY_OPTIONS, readable, type BladeDraft, type EdgeDraft } from '../../drawings/blade';
import { EdgeFields } from './edge-fields';
import { EdgeSection, type EdgeDrag } from './edge-section';
import { FrontView } from '../../drawings/front-view';
import type { FieldChange } from '../../platform/change';
import { changed } from '../../platform/change';

/** An edge on the desk: the drawing with its handles, and every figure beside it. */
@Component({
  selector: 'ma-edge-desk',
  imports: [ChoiceField, EdgeFields, EdgeSection, FrontView, LineField, NgTemplateOutlet],
  templateUrl: './edge-desk.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.9rem;
    }
    .drawings {
      display: grid;
      grid-template-columns: minmax(0, 3.4fr) minmax(0, 1fr);
      gap: 1rem;
      align-items: center;
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      padding: 0.4rem 0.8rem;
    }
    .drawings:not(:has(ma-front-view svg)) {
      grid-template-columns: minmax(0, 1fr);
    }
    /* Alone, it leaves room for two rows of figures under it. */
    .drawings:not(:has(ma-front-view svg)) ma-edge-section {
      justify-self: center;
      width: 100%;
      max-width: 41rem;
    }
    .gap {
      padding: 2rem 1rem;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
      gap: 0.9rem 1.2rem;
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
      .wide {
        grid-column: auto;
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
  /** Radius of the worn tip, µm, to be drawn. */
  readonly tipUm = input<number>();
  /** The land was measured with a rule, or dragged on the drawing to where it is, mm. */
  readonly measured = output<number>();
  /** A figure was left, a handle let go of: what stands now is meant. */
  readonly settled = output<void>();

  private readonly figures = inject(Figures);
  /** The land while it is dragged; it belongs to the record, not to the tool. */
  private readonly landDragged = signal<number | undefined>(undefined);
  protected readonly steels = STEEL_NAMES.map((value) => ({ value, label: STEELS[value].label }));
  /** A tool on the rack stays of its form; its record speaks of that. */
  protected readonly families = computed(() => {
    const { form } = this.draft().edge;
    return this.fresh()
      ? FAMILY_OPTIONS
      : FAMILY_OPTIONS.filter(({ value }) => familyFacts(value).form === form);
  });

  protected readonly drawable = computed((): Edge | undefined => {
    const edge = readable(this.draft().edge);
    if (edge?.form !== 'single-bevel') return edge;
    const landMm = this.landDragged() ?? this.land()?.mm ?? edge.landMm;
    return { ...inOrder(edge), ...(landMm !== undefined && { landMm }) };
  });

  protected readonly behind = computed(() => {
    const edge = this.drawable();
    if (edge?.form !== 'single-bevel' || edge.secondaryDeg === undefined) return '';
    const { primaryDeg, secondaryDeg, landMm = ASSUMED_LAND_MM } = edge;
    const recession = unlessRefused(() => recessionForLand(primaryDeg, secondaryDeg, landMm));
    return recession === undefined
      ? ''
      : `Behind a land of ${this.figures.length(landMm)} the edge has receded ${this.figures.sliver(recession)} from where the grinder left it (dashed).`;
  });

  protected set(change: FieldChange<BladeDraft>): void {
    this.draft.update((draft) => changed(draft, change));
  }

  protected setEdge(change: object): void {
    this.draft.update((draft) => ({ ...draft, edge: { ...draft.edge, ...change } as EdgeDraft }));
  }

  /** A new tool of another family begins with that family's usual figures. */
  protected choose(family: Family): void {
    this.set(this.fresh() ? { family, edge: usualEdge(family), host: undefined } : { family });
    this.settled.emit();
  }

  protected drag({ field, value }: EdgeDrag): void {
    if (field === 'landMm' && !this.fresh()) this.landDragged.set(value);
    else this.setEdge(Object.fromEntries([[field, value]]));
  }

  protected letGo(): void {
    const landMm = this.landDragged();
    this.landDragged.set(undefined);
    if (landMm === undefined) this.settled.emit();
    else this.measured.emit(landMm);
  }
}

/** Half a figure typed is no reason to wipe the drawing: a facet not yet steeper is left out of it. */
function inOrder(edge: SingleBevelEdge): SingleBevelEdge {
  const { secondaryDeg, microDeg, ...rest } = edge;
  const honed = secondaryDeg !== undefined && secondaryDeg > edge.primaryDeg ? { secondaryDeg } : {};
  const below = honed.secondaryDeg ?? edge.primaryDeg;
  return { ...rest, ...honed, ...(microDeg !== undefined && microDeg > below && { microDeg }) };
}
