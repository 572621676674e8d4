import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { formatDay, unlessRefused } from '@mellow-anvil/core/base';
import { ASSUMED_LAND_MM, settingShift, type SettingShift, type Tool } from '@mellow-anvil/core/blade';
import { bladeGeometry, type FacetSetting, guideAngle, isRoller } from '@mellow-anvil/core/guide';
import type { LastSetting } from '@mellow-anvil/core/record';
import { settingAngles } from '../../words/stop-words';
import { Desk, type SetUp } from '../../data/desk';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';
import { GuidesStore } from '../../data/guides.store';

/** The setting the tool was last honed at, whether today's is the same, and what another one costs. */
@Component({
  selector: 'ma-last-setting',
  imports: [Button, Why],
  template: `
    @if (last(); as at) {
      <p [class.differs]="shift() && shift()?.kind !== 'same'" role="status">
        <b>{{ words(at) }}</b>
        {{ verdict() }}
        @if (shift()) {
          <ma-why of="the last setting" [reason]="reason()" />
        }
        @if (elsewhere(at)) {
          <p-button
            label="Set up as last time"
            size="small"
            severity="secondary"
            [outlined]="true"
            (onClick)="again.emit(at)"
          />
        }
      </p>
    }
  `,
  styles: `
    p {
      margin: 0;
      padding-left: 0.8rem;
      border-left: var(--mark) solid var(--leather);
    }
    .differs {
      border-left-color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LastSettingNote {
  readonly tool = input.required<Tool>();
  readonly setUp = input.required<SetUp>();
  readonly last = input<LastSetting>();
  readonly again = output<LastSetting>();
  private readonly figures = inject(Figures);
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  private readonly answer = toSignal(inject(Desk).answer$);

  /** Today's setting of the honed facet that is nearest to what was honed last. */
  private readonly next = computed((): FacetSetting | undefined => {
    const { settings } = this.setUp();
    const honed = settings.length > 1 ? settings.filter(({ facet }) => facet !== 'primary') : settings;
    const last = this.last()?.angleDeg ?? 0;
    const off = ({ angleDeg }: FacetSetting): number => Math.abs(angleDeg - last);
    return [...honed].sort((a, b) => off(a) - off(b))[0];
  });

  /** The angle the last setting gives on the guide as it is measured now. */
  private readonly lastDeg = computed(() => {
    const last = this.last();
    const guide = this.guides().find(({ id }) => id === last?.guideId);
    const seat =
      guide && isRoller(guide) ? guide.seats.find(({ name }) => name === last?.seatName) : undefined;
    if (last?.projectionMm === undefined || !guide || !isRoller(guide) || !seat) return last?.angleDeg;
    const { angleDeg, projectionMm } = last as LastSetting & { readonly projectionMm: number };
    const blade = bladeGeometry(this.tool().edge, guide, seat);
    return unlessRefused(() => guideAngle({ ...blade, projectionMm }).angleDeg) ?? angleDeg;
  });

  protected readonly shift = computed((): SettingShift | undefined => {
    const [lastDeg, next] = [this.lastDeg(), this.next()];
    const { edge } = this.tool();
    if (lastDeg === undefined || !next || edge.form !== 'single-bevel') return undefined;
    const answer = this.answer();
    return settingShift({
      ...edge,
      landMm: answer?.state?.landMm ?? edge.landMm ?? ASSUMED_LAND_MM,
      lastDeg,
      nextDeg: next.angleDeg,
      recessionMm: answer?.plan?.job.recessionMm ?? 0.015,
    });
  });

  protected elsewhere(last: LastSetting): boolean {
    const { guide, seat } = this.setUp();
    const known = this.guides().some(({ id }) => id === last.guideId);
    return (
      known && (guide.id !== last.guideId || (last.seatName !== undefined && seat?.name !== last.seatName))
    );
  }

  protected words({ at, guideId, seatName, projectionMm, stop, ...angles }: LastSetting): string {
    const guide = this.guides().find(({ id }) => id === guideId)?.name;
    const where = [guide, seatName].filter(Boolean).join(', ');
    const by = stop ? `, stop ${stop.label}` : '';
    const out = projectionMm === undefined ? by : `${by}, ${this.figures.length(projectionMm)} out`;
    return `Last honed ${formatDay(at)} at ${settingAngles(angles, this.figures)}${where ? ` (${where}${out})` : ''}.`;
  }

  protected verdict(): string {
    const [shift, lastDeg] = [this.shift(), this.lastDeg()];
    if (!shift || lastDeg === undefined) return '';
    const by = this.figures.angle(Math.abs(shift.byDeg));
    const last = this.last();
    const drifted =
      last && Math.abs(lastDeg - last.angleDeg) >= 0.1
        ? ` On the guide as it is measured now, that projection gives ${this.figures.angle(lastDeg)}.`
        : '';
    switch (shift.kind) {
      case 'same':
        return `Today’s setting is the same for all a bench can tell.${drifted}`;
      case 'shallower':
        return `Today’s is ${by} less steep: the stone rides the heel of the land, and ${this.steel(shift.beforeEdgeMm3)} of steel have to come off before it touches the edge${this.strokes(shift.beforeEdgeMm3)}.${drifted}`;
      case 'steeper':
        return `Today’s is ${by} steeper: only the very edge is touched. ${this.steel(shift.putOffMm3)} of steel are put off until you go back${this.strokes(shift.putOffMm3)}; meanwhile the edge keeps ${this.figures.number(shift.keepRatio * 100, 0)} % of its useful wear.${drifted}`;
    }
  }

  protected reason(): Reason {
    const shift = this.shift();
    const land = this.answer()?.state?.landMm;
    return {
      formula:
        'Less steep: the area between the land and the new face, times the width. Steeper: what the land would have given up (land-growth), less the little ridge at the edge.',
      inputs: [
        `last ${this.figures.angle(this.lastDeg() ?? 0, 2)}, today ${this.figures.angle(this.next()?.angleDeg ?? 0, 2)}`,
        `land ${land === undefined ? 'not measured' : this.figures.length(land)}`,
        `per degree more it would grow: now ${this.figures.number(Math.abs(shift?.byDeg ?? 0), 2)}° apart`,
        'under a quarter of a degree apart they count as the same (estimate)',
      ],
      source:
        'Plane geometry, checked against polygon areas. A degree off is harmless if it is the same degree every time (common practice).',
      sure: 'As sure as the land; strokes besides depend on your stones’ rates, which are estimates.',
    };
  }

  private steel(mm3: number): string {
    return `${this.figures.number(mm3, 2)} mm³`;
  }

  /** What that is in strokes on the plan's first stone. */
  private strokes(mm3: number): string {
    const [first] = this.answer()?.plan?.steps ?? [];
    if (!first || first.strokes === 0 || first.removeMm3 <= 0) return '';
    const strokes = Math.ceil((mm3 / first.removeMm3) * first.strokes);
    return `, about ${strokes} strokes on the plan’s first stone (an estimate)`;
  }
}
