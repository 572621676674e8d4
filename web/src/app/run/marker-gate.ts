import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import type { Edge } from '@mellow-anvil/core/blade';
import type { ColourLeft } from '@mellow-anvil/core/run';
import { EdgeFront } from '../drawings/edge-front';

const SPOTS: readonly { readonly value: ColourLeft; readonly label: string }[] = [
  { value: 'left', label: 'left side' },
  { value: 'heel', label: 'heel' },
  { value: 'patches', label: 'in patches' },
  { value: 'edge', label: 'at the edge' },
  { value: 'right', label: 'right side' },
];

/** Where colour is left on the bevel after a few light strokes: tapped on the bevel itself. */
@Component({
  selector: 'ma-marker-gate',
  imports: [Button, EdgeFront],
  template: `
    <div class="bevel" role="group" aria-label="The bevel, edge at the bottom">
      @for (spot of spots; track spot.value) {
        <button
          type="button"
          [class]="'spot ' + spot.value"
          [class.left-on]="left().includes(spot.value)"
          [attr.aria-pressed]="left().includes(spot.value)"
          (click)="toggle(spot.value)"
        >
          {{ spot.label }}
        </button>
      }
    </div>
    @if (edge(); as shape) {
      <ma-edge-front [edge]="shape" />
    }
    <div class="quick">
      @if (left().length) {
        <p-button styleClass="target" label="Colour is left there" (onClick)="told.emit(left())" />
        <p-button
          styleClass="target"
          label="None after all"
          severity="secondary"
          [outlined]="true"
          (onClick)="left.set([])"
        />
      } @else {
        <p-button styleClass="target" label="No colour left" (onClick)="told.emit([])" />
      }
    </div>
  `,
  styleUrl: './gate.css',
  styles: `
    .bevel {
      display: grid;
      grid-template-columns: 1fr 2fr 1fr;
      grid-template-rows: repeat(3, minmax(72px, 1fr));
      grid-template-areas: 'left heel right' 'left patches right' 'left edge right';
      border: 2px solid var(--steel-line);
      border-bottom: 0;
      background: var(--steel);
      gap: 3px;
      min-height: 222px;
    }
    .spot {
      font: inherit;
      font-size: 1.3rem;
      color: var(--ink);
      background: var(--raised);
      border: 0;
      cursor: pointer;
      touch-action: manipulation;
    }
    .spot.left-on {
      background: var(--slate);
      color: var(--slate-ink);
      font-weight: 700;
      text-decoration: underline;
    }
    .left {
      grid-area: left;
    }
    .right {
      grid-area: right;
    }
    .heel {
      grid-area: heel;
    }
    .edge {
      grid-area: edge;
    }
    .patches {
      grid-area: patches;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MarkerGate {
  /** Drawn in its own shape under the bevel. */
  readonly edge = input<Edge>();
  readonly told = output<readonly ColourLeft[]>();
  protected readonly spots = SPOTS;
  protected readonly left = signal<readonly ColourLeft[]>([]);

  protected toggle(spot: ColourLeft): void {
    this.left.update((left) =>
      left.includes(spot) ? left.filter((each) => each !== spot) : [...left, spot],
    );
  }
}
