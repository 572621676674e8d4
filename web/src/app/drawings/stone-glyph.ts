import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { AbrasiveKind, Lubricant } from '@mellow-anvil/core/abrasive';

/** How each kind is drawn: a block, a thin plate on a base, glass with a sheet, a hide, a wheel, a rod. */
const SHAPES: Readonly<Record<AbrasiveKind, string>> = {
  'water-stone': 'M4 8H52V26H4Z M4 13H52',
  'diamond-plate': 'M4 15H52V19H4Z M4 19H52V26H4Z',
  'oil-stone': 'M7 10H49V24H7Z M2 24H54V28H2Z',
  'natural-stone': 'M6 11L16 8 33 10 47 8 52 17 49 26 30 25 9 27 4 19Z',
  ceramic: 'M4 16H52V25H4Z',
  film: 'M8 14H48 M4 18H52V26H4Z',
  strop: 'M4 14H44V20H4Z M4 20H44V26H4Z M44 18H54V22H44Z',
  'rod-paper': 'M4 13H52A4 4 0 0 1 52 25H4A4 4 0 0 1 4 13Z M14 13V25',
  slip: 'M4 24L12 12H50L52 20 48 25Z',
  'profiled-strop': 'M4 13H13A5 5 0 0 0 23 13H31L35 18 39 13H52V26H4Z',
  'powered-strop': 'M28 6A11 11 0 1 1 27.9 6Z M28 13A4 4 0 1 1 27.9 13Z',
  'dry-wheel': 'M28 5A12 12 0 1 1 27.9 5Z M28 14A3 3 0 1 1 27.9 14Z',
  'wet-wheel': 'M28 5A12 12 0 1 1 27.9 5Z M28 14A3 3 0 1 1 27.9 14Z M8 24H48V29H8Z',
  flattening: 'M4 20H52V26H4Z M4 16L9 20 14 16 19 20 24 16 29 20 34 16 39 20 44 16 49 20',
};

/** An abrasive drawn by what it is, and by what wets it: a drop, a filled drop, or none. */
@Component({
  selector: 'ma-stone-glyph',
  template: `
    <svg viewBox="0 0 56 32" width="56" height="32" aria-hidden="true">
      <path [class]="'stone ' + lubricant()" [attr.d]="shape()" />
      @if (lubricant() === 'water' || lubricant() === 'oil') {
        <path
          [class]="'drop ' + lubricant()"
          d="M48 0C51 4 52.5 5.6 52.5 7.4A4.5 4.5 0 0 1 43.5 7.4C43.5 5.6 45 4 48 0Z"
        />
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      line-height: 0;
    }
    .stone {
      fill: var(--panel);
      stroke: var(--dry);
      stroke-width: 1.8;
      stroke-linejoin: round;
      fill-rule: evenodd;
    }
    .stone.water {
      stroke: var(--water);
    }
    .stone.oil {
      stroke: var(--oil);
    }
    .stone.compound {
      stroke: var(--leather);
    }
    .drop.water {
      fill: none;
      stroke: var(--water);
      stroke-width: 1.6;
    }
    .drop.oil {
      fill: var(--oil);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StoneGlyph {
  readonly kind = input.required<AbrasiveKind>();
  readonly lubricant = input.required<Lubricant>();
  protected readonly shape = computed(() => SHAPES[this.kind()]);
}
