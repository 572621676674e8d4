import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { PLACES } from '@mellow-anvil/core/camber';
import { placeCountOf } from '@mellow-anvil/core/work';

const VIEW = { width: 520, height: 150 } as const;
const BLADE = { left: 50, width: 420, top: 16, edge: 92 } as const;
const NAMES = {
  3: ['left', 'middle', 'right'],
  5: ['left', 'half left', 'middle', 'half right', 'right'],
} as const;

/** The name of a place across the edge. */
export const placeName = (places: number, at: number): string =>
  (NAMES[places === 3 ? 3 : 5] as readonly string[])[at] ?? '';

/** Where to press across the blade, with the strokes at each place; the one at hand stands out. */
@Component({
  selector: 'ma-finger-drawing',
  template: `
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="words()">
      <path class="steel" [attr.d]="blade" />
      <path class="edge" [attr.d]="edge" />
      @for (spot of spots(); track $index) {
        <g [class.here]="spot.here" [class.idle]="spot.count === 0">
          <ellipse class="finger" [attr.cx]="spot.x" cy="62" rx="20" ry="26" />
          <text class="count" [attr.x]="spot.x" y="69" text-anchor="middle">{{ spot.count }}</text>
          <text class="name" [attr.x]="spot.x" y="118" text-anchor="middle">{{ spot.name }}</text>
        </g>
      }
      <text class="note" x="260" y="142" text-anchor="middle">
        strokes at each place, back down, edge away from you
      </text>
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      height: auto;
      display: block;
    }
    .steel {
      fill: var(--steel);
      stroke: var(--steel-line);
      stroke-width: 1.5;
    }
    .edge {
      fill: none;
      stroke: var(--accent);
      stroke-width: 4;
    }
    .finger {
      fill: var(--raised);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .idle .finger {
      stroke-dasharray: 4 4;
      stroke: var(--muted);
    }
    .here .finger {
      fill: var(--accent);
      stroke: var(--accent);
    }
    .count {
      fill: var(--ink);
      font-weight: 700;
      font-size: 22px;
    }
    .here .count {
      fill: var(--accent-ink);
    }
    .name,
    .note {
      fill: var(--ink);
      font-size: 16px;
    }
    .here .name {
      font-weight: 700;
    }
    .note {
      fill: var(--muted);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FingerDrawing {
  readonly strokes = input.required<readonly number[]>();
  /** The place being worked, from 0; none while the plan is only shown. */
  readonly at = input<number>();
  protected readonly view = VIEW;
  protected readonly blade = `M${BLADE.left} ${BLADE.top}H${BLADE.left + BLADE.width}V${BLADE.edge}H${BLADE.left}Z`;
  protected readonly edge = `M${BLADE.left} ${BLADE.edge}H${BLADE.left + BLADE.width}`;
  protected readonly spots = computed(() => {
    const strokes = this.strokes();
    const places = PLACES[placeCountOf(strokes) ?? 5];
    return strokes.map((count, i) => ({
      count,
      x: BLADE.left + (((places[i] ?? 0) + 1) / 2) * BLADE.width,
      name: placeName(strokes.length, i),
      here: this.at() === i,
    }));
  });
  protected readonly words = computed(
    () =>
      `Strokes by place: ${this.spots()
        .map(({ name, count }) => `${name} ${count}`)
        .join(', ')}`,
  );
}
