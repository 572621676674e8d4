import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Refusal, frontProfile, type SingleBevelEdge } from '@mellow-anvil/core';
import { Figures } from '../shared/figures';

const VIEW = { width: 210, height: 210 } as const;
const BLADE = { width: 150, top: 18, edge: 150 } as const;
const SHOWN_PX = 26;

/** The edge from the front: straight, relieved or arched, its curve exaggerated and by how much. */
@Component({
  selector: 'ma-front-view',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height"
      role="img"
      [attr.aria-label]="'Front view: ' + drawing().words"
    >
      <path class="steel" [attr.d]="drawing().blade" />
      <path class="edge" [attr.d]="drawing().edge" />
      <path class="measure" [attr.d]="drawing().measure" />
      <text [attr.x]="view.width / 2" y="182" text-anchor="middle">{{ drawing().width }}</text>
      <text [attr.x]="view.width / 2" y="201" text-anchor="middle">{{ drawing().words }}</text>
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
      stroke-linejoin: round;
    }
    .edge {
      fill: none;
      stroke: var(--accent);
      stroke-width: 4;
      stroke-linecap: round;
    }
    .measure {
      stroke: var(--muted);
      fill: none;
      stroke-width: 1.5;
    }
    text {
      fill: var(--muted);
      font-size: 15px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FrontView {
  readonly edge = input.required<SingleBevelEdge>();
  protected readonly view = VIEW;
  private readonly figures = inject(Figures);
  protected readonly drawing = computed(() => {
    const { front, widthMm } = this.edge();
    let profile: ReturnType<typeof frontProfile>;
    let refusal = '';
    try {
      profile = frontProfile(front, widthMm);
    } catch (reason) {
      if (!(reason instanceof Refusal)) throw reason;
      refusal = 'radius too tight';
      profile = frontProfile({ shape: 'straight' }, widthMm);
    }
    const deepest = Math.max(...profile.map(({ backMm }) => backMm));
    const across = BLADE.width / widthMm;
    const factor = deepest * across > SHOWN_PX || deepest === 0 ? 1 : SHOWN_PX / (deepest * across);
    const points = profile.map(({ atMm, backMm }) => ({
      x: VIEW.width / 2 + atMm * across,
      y: BLADE.edge - backMm * across * factor,
    }));
    const path = points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L');
    const [left, right] = [VIEW.width / 2 - BLADE.width / 2, VIEW.width / 2 + BLADE.width / 2];
    return {
      edge: `M${path}`,
      blade: `M${left} ${BLADE.top}L${path}L${right} ${BLADE.top}Z`,
      measure: `M${left} 164h${BLADE.width}m0 -5v10m${-BLADE.width} 0v-10`,
      width: this.figures.length(widthMm),
      words:
        refusal ||
        (deepest === 0
          ? 'straight'
          : `${front.shape === 'arc' ? 'arc' : 'corners eased'}, drawn × ${Math.round(factor)}`),
    };
  });
}
