import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { isWheel } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal, unlessRefused } from '@mellow-anvil/core/base';
import type { DoubleBevelEdge } from '@mellow-anvil/core/blade';
import { runningEdge, turning } from '@mellow-anvil/core/curve';
import { contactMin, GRINDING_PUSH_N, wheelAtWork } from '@mellow-anvil/core/grinding';
import { AbrasivesStore } from '../../data/abrasives.store';
import { TurnedDrawing } from '../../drawings/turned-drawing';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

/** A third of the blade’s width to begin with. */
const SHARE = 1 / 3;

/** A skew’s unused heel as a second, running edge: its shape, the steel at the wheel, what it meets. */
@Component({
  selector: 'ma-heel-panel',
  imports: [Button, QuantityField, TurnedDrawing, Why],
  templateUrl: './heel-panel.html',
  styleUrl: '../../ui/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeelPanel {
  readonly edge = input.required<DoubleBevelEdge>();
  /** How it is ground from now on; nothing where it has no such edge. */
  readonly chosen = output<number | undefined>();
  protected readonly figures = inject(Figures);
  private readonly bench = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly begin = computed(() => {
    const { heelRadiusMm, widthMm } = this.edge();
    return heelRadiusMm ?? Math.round(widthMm * SHARE * 2) / 2;
  });
  /** As typed; begun anew only where the tool’s own changes, not where its record is read again. */
  protected readonly radius = linkedSignal<number | undefined>(() => this.begin());
  /** As long as the round is until something else is typed. */
  protected readonly thinned = signal<number | undefined>(undefined);
  protected readonly found = computed(() => {
    const [radiusMm, thinnedMm] = [this.radius(), this.thinned()];
    if (radiusMm === undefined || Number.isNaN(radiusMm)) return {};
    const thin = thinnedMm !== undefined && thinnedMm >= 0 ? { thinnedMm } : {};
    const edge = attempt(() => runningEdge({ ...this.edge(), radiusMm, ...thin }));
    return edge instanceof Refusal ? { refusal: edge.message } : { edge };
  });
  protected readonly tidy = (mm: number): number => Number(mm.toFixed(1));
  private readonly drawn = computed((): DoubleBevelEdge => {
    const heelRadiusMm = this.radius();
    return { ...this.edge(), ...(heelRadiusMm !== undefined && { heelRadiusMm }) };
  });
  protected readonly turned = computed(() => unlessRefused(() => turning(this.drawn())));
  /** How long that is on the first wheel there is. */
  protected readonly wheel = computed(() => {
    const [wheel, round] = [this.bench().find(isWheel), this.found().edge];
    if (!wheel || !round) return '';
    const minutes = contactMin(round.steelMm3 + round.thinnedMm3, wheelAtWork(wheel, GRINDING_PUSH_N));
    return `: ${this.figures.minutes(minutes)} of contact in all on ${wheel.name}`;
  });
  protected readonly reason = computed((): Reason => {
    const { skewDeg, thicknessMm, leftDeg, rightDeg } = this.edge();
    const { figures } = this;
    return {
      formula:
        'It turns 90° − λ and takes r·tan((90° − λ)/2) of the edge; the steel is the thickness before less the wedge that is so far inside the round, summed over the corner, and behind it a pyramid, t²·L/(6·(tan α + tan β)); it meets atan(tan α · cos λ) there.',
      inputs: [
        `λ = ${figures.angle(skewDeg)}, r = ${figures.length(this.radius() ?? 0)}`,
        `${figures.length(thicknessMm)} thick, ${figures.angle(leftDeg)} and ${figures.angle(rightDeg)} a side`,
      ],
      source: 'Plane geometry.',
      sure: 'The shape is exact; minutes at the wheel go by its estimated rate.',
    };
  });
}
