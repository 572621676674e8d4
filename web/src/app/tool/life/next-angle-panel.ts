import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { NextAngle } from '@mellow-anvil/core/record';
import { Figures } from '../../ui/figures';

/** A part of the bar that is at least so much of it has room for its words. */
const WIDE_ENOUGH = 0.36;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Which angle next, by what the edges honed so far lasted: keep it, flatter or steeper, and with what chances. */
@Component({
  selector: 'ma-next-angle-panel',
  template: `
    <h2>What next?</h2>
    <p>
      <b>{{ advice() }}</b>
      {{ why() }}
    </p>
    <div class="chances" role="img" [attr.aria-label]="chances()">
      @for (part of parts(); track part.name) {
        <span [class]="part.name" [style.flex-grow]="part.share">
          @if (part.share >= wide) {
            {{ part.label }} {{ percent(part.share) }}
          }
        </span>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      max-width: 44rem;
    }
    p {
      margin: 0.2rem 0 0.4rem;
    }
    .chances {
      display: flex;
      gap: 2px;
      height: 2rem;
    }
    .chances span {
      flex: 1 1 0;
      min-width: 3px;
      overflow: hidden;
      white-space: nowrap;
      display: grid;
      place-items: center;
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      font-size: 0.9rem;
    }
    .chances .here {
      border-color: var(--accent);
      border-width: 2px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NextAnglePanel {
  readonly next = input.required<NextAngle>();
  private readonly figures = inject(Figures);
  protected readonly wide = WIDE_ENOUGH;
  protected readonly percent = percent;

  protected readonly advice = computed(() => {
    const { deg, nowDeg } = this.next();
    const to = this.figures.angle(deg);
    if (deg === nowDeg) return `Keep ${to}.`;
    return `${deg < nowDeg ? 'Flatter' : 'Steeper'}: try ${to} next.`;
  });
  protected readonly why = computed(() => {
    const { bestDeg, lowDeg, highDeg, edges } = this.next();
    return `By how long its ${edges} edges lasted and which of them chipped, the best lies about ${this.figures.angle(bestDeg)}, four times in five from ${this.figures.angle(lowDeg)} to ${this.figures.angle(highDeg)}.`;
  });
  protected readonly parts = computed(() => {
    const { flatter, here, steeper } = this.next();
    return [
      { name: 'flatter', label: 'flatter', share: flatter },
      { name: 'here', label: 'about here', share: here },
      { name: 'steeper', label: 'steeper', share: steeper },
    ];
  });
  protected readonly chances = computed(() =>
    this.parts()
      .map(({ label, share }) => `${label} ${percent(share)}`)
      .join(', '),
  );
}
