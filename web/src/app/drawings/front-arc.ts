import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { unlessRefused } from '@mellow-anvil/core/base';
import { type FrontLine, frontProfile } from '@mellow-anvil/core/blade';
import { cornerBackMm } from '@mellow-anvil/core/camber';
import { Figures } from '../ui/figures';

const VIEW = { width: 520, height: 190 } as const;
const BLADE = { left: 40, width: 440, edge: 126 } as const;
/** How tall the corner's gap is drawn at most, px. */
const SHOWN_PX = 74;
/** Heights are drawn by a round factor. */
const ROUND = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000] as const;

/** The edge from the front with its corner to be dragged, heights exaggerated by a round factor that is said. */
@Component({
  selector: 'ma-front-arc',
  templateUrl: './front-arc.html',
  styleUrl: './plot.css',
  styles: `
    svg {
      touch-action: none;
      user-select: none;
    }
    svg > :not(.handle) {
      pointer-events: none;
    }
    .steel {
      fill: var(--steel);
      stroke: var(--steel-line);
      stroke-width: 1.5;
    }
    .level {
      stroke: var(--muted);
      stroke-dasharray: 6 5;
      stroke-width: 1.5;
    }
    .edge {
      fill: none;
      stroke: var(--accent);
      stroke-width: 4;
      stroke-linecap: round;
    }
    .other {
      fill: none;
      stroke: var(--water);
      stroke-width: 3;
      stroke-dasharray: 3 5;
    }
    .measure {
      stroke: var(--ink);
      stroke-width: 1.5;
      fill: none;
    }
    .other-text {
      fill: var(--water);
      font-weight: 700;
    }
    .handle {
      cursor: ns-resize;
      touch-action: none;
    }
    .hit {
      fill: transparent;
    }
    .knob {
      fill: var(--raised);
      stroke: var(--accent);
      stroke-width: 3;
    }
    .handle:focus-visible {
      outline: none;
    }
    .handle:focus-visible .knob {
      fill: var(--accent);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FrontArc {
  readonly front = input.required<FrontLine>();
  readonly widthMm = input.required<number>();
  /** A second curve on the same drawing, such as another bed's, and what it is. */
  readonly other = input<{ readonly front: FrontLine; readonly words: string }>();
  readonly draggable = input(false);
  /** How far back the corners are pulled, mm. */
  readonly dragged = output<number>();
  readonly released = output<void>();

  protected readonly view = VIEW;
  protected readonly edgeY = BLADE.edge;
  private readonly figures = inject(Figures);
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');
  private holding: { readonly pxPerMm: number; readonly grip: number } | undefined;

  protected readonly drawing = computed(() => {
    const [front, widthMm, other] = [this.front(), this.widthMm(), this.other()];
    const profile = unlessRefused(() => frontProfile(front, widthMm, 81));
    const second = other && unlessRefused(() => frontProfile(other.front, widthMm, 81));
    if (!profile) return undefined;
    const deepest = Math.max(0.02, ...[...profile, ...(second ?? [])].map(({ backMm }) => backMm));
    const across = BLADE.width / widthMm;
    const factor = ROUND.findLast((each) => deepest * across * each <= SHOWN_PX) ?? 1;
    const place = ({ atMm, backMm }: { readonly atMm: number; readonly backMm: number }): string =>
      `${(BLADE.left + (atMm + widthMm / 2) * across).toFixed(1)} ${(BLADE.edge - backMm * across * factor).toFixed(1)}`;
    const points = profile.map(place).join('L');
    const cornerMm = cornerBackMm(front, widthMm);
    const right = BLADE.left + BLADE.width;
    const cornerY = BLADE.edge - cornerMm * across * factor;
    const gapText =
      cornerMm === 0 ? 'straight: no light' : `${this.figures.sliver(cornerMm)} of light at the corner`;
    return {
      blade: `M${BLADE.left} 12L${points}L${right} 12Z`,
      edge: `M${points}`,
      other: second ? `M${second.map(place).join('L')}` : '',
      otherText: other?.words ?? '',
      cornerX: right,
      cornerY,
      pxPerMm: across * factor,
      gap: `M${right} ${cornerY}V${BLADE.edge}m-7 0h14`,
      gapText,
      um: Math.round(cornerMm * 1000),
      mostUm: Math.round(widthMm * 500),
      factorText: factor === 1 ? 'heights as they are' : `heights drawn × ${factor}`,
      words: `The edge from the front, ${gapText}`,
    };
  });

  protected grab(event: PointerEvent): void {
    const drawing = this.drawing();
    if (!drawing) return;
    // The scale is held while the corner is: it would run away from the hand otherwise.
    this.holding = { pxPerMm: drawing.pxPerMm, grip: this.yOf(event) - drawing.cornerY };
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    event.preventDefault();
  }

  protected move(event: PointerEvent): void {
    if (!this.holding) return;
    const { pxPerMm, grip } = this.holding;
    this.pull((BLADE.edge - (this.yOf(event) - grip)) / pxPerMm);
  }

  protected letGo(): void {
    if (!this.holding) return;
    this.holding = undefined;
    this.released.emit();
  }

  protected nudge(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[
      event.key
    ];
    if (by === undefined) return;
    event.preventDefault();
    const now = cornerBackMm(this.front(), this.widthMm());
    this.pull(now + by * Math.max(0.001, 0.02 * now));
    this.released.emit();
  }

  private pull(mm: number): void {
    this.dragged.emit(Number(Math.min(this.widthMm() / 2, Math.max(0, mm)).toFixed(4)));
  }

  private yOf(event: PointerEvent): number {
    const box = this.svg()?.nativeElement.getBoundingClientRect();
    return box ? ((event.clientY - box.top) / box.height) * VIEW.height : 0;
  }
}
