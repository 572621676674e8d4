import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ASSUMED, type Back, backStrategy, type Family } from '@mellow-anvil/core/blade';
import type { Sentences } from '../../ui/checks';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import type { EdgeDraft } from '../../drawings/blade';
import { ShimFigures } from '../../parts/shim-figures';

const WORDS: Readonly<Record<Back, string>> = {
  flat: 'Flat, polished whole',
  rim: 'Only a rim polished',
  hollowed: 'Hollowed behind a rim',
  shim: 'A back bevel, over a shim',
};

/** The ways to treat this family's back: one chosen, one advised, and what is refused with its reason. */
@Component({
  selector: 'ma-back-panel',
  imports: [QuantityField, ShimFigures],
  templateUrl: './back-panel.html',
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 0.5rem;
    }
    li {
      border-left: 6px solid var(--line);
      padding-left: 0.6rem;
    }
    li.chosen {
      border-left-color: var(--accent);
    }
    li p {
      margin: 0;
      padding: 0 0.4rem 0.3rem;
      max-width: 52rem;
    }
    button {
      display: flex;
      gap: 0.8rem;
      align-items: center;
      min-height: var(--touch);
      width: 100%;
      padding: 0.2rem 0.4rem;
      background: none;
      border: 0;
      font: inherit;
      color: inherit;
      text-align: left;
      cursor: pointer;
    }
    button:disabled {
      cursor: not-allowed;
    }
    .tag {
      color: var(--accent);
      font-size: 0.9rem;
    }
    .tag.refused {
      color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackPanel {
  readonly family = input.required<Family>();
  readonly edge = input.required<Extract<EdgeDraft, { readonly form: 'single-bevel' }>>();
  readonly sentences = input<Sentences>({});
  readonly changed = output<object>();
  readonly settled = output<void>();
  private readonly figures = inject(Figures);
  protected readonly words = WORDS;
  protected readonly ways = computed(() => backStrategy(this.family()));

  protected readonly hint = computed(() => {
    const { back, polishedMm } = this.edge();
    if (polishedMm !== undefined) return back === 'shim' ? 'As it shows' : 'From the edge';
    return this.figures.taken(back === 'shim' ? ASSUMED.backBevelMm : ASSUMED.rimMm);
  });

  protected choose(back: Back): void {
    const none = {
      shimMm: undefined,
      shimAtMm: undefined,
      hollowMm: undefined,
      hollows: undefined,
      hollowDeepMm: undefined,
      farRimMm: undefined,
    };
    this.changed.emit(back === this.edge().back ? {} : { back, polishedMm: undefined, ...none });
    this.settled.emit();
  }
}
