import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { formatDay } from '@mellow-anvil/core/base';
import { familyFacts, type Tool } from '@mellow-anvil/core/blade';
import type { Felt, NextAngle, NextSides, Session } from '@mellow-anvil/core/record';
import type { Stored } from '@mellow-anvil/contract';
import { contentOf } from '../../data/collection.store';
import { SessionsStore } from '../../data/sessions.store';
import { ToolsStore } from '../../data/tools.store';
import { Notices } from '../../platform/notices';
import { Figures } from '../../ui/figures';

/** A part of the bar that is at least so much of it has room for its words. */
const WIDE_ENOUGH = 0.36;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

const BITES = [
  { value: true, label: 'It bites' },
  { value: false, label: 'It wants pushing' },
];
const HOLDS = [
  { value: true, label: 'It holds' },
  { value: false, label: 'It gives out' },
];
const STEERING = [
  { value: 'straight', label: 'It goes straight' },
  { value: 'in', label: 'It dives' },
  { value: 'out', label: 'It climbs out' },
];

/** Which angle next, by what the edges honed so far lasted: keep it, flatter or steeper, and with what chances. */
@Component({
  selector: 'ma-next-angle-panel',
  imports: [Button, FormsModule, SelectButton],
  template: `
    <h2>What next?</h2>
    <p>
      <b>{{ advice() }}</b>
      {{ why() }}
    </p>
    @if (canSet()) {
      <p-button [label]="setLabel()" severity="secondary" [outlined]="true" (onClick)="setIt()" />
    }
    <div class="chances" role="img" [attr.aria-label]="chances()">
      @for (part of parts(); track part.name) {
        <span [class]="part.name" [style.flex-grow]="part.share">
          @if (part.share >= wide) {
            {{ part.label }} {{ percent(part.share) }}
          }
        </span>
      }
    </div>
    @if (lastUse(); as use) {
      <fieldset>
        <legend>How did it cut, {{ day(use.startedAt) }}?</legend>
        @for (ask of asks(); track ask.name) {
          <p-selectButton
            [ariaLabel]="ask.label"
            [options]="ask.options"
            optionLabel="label"
            optionValue="value"
            [ngModel]="ask.value"
            (ngModelChange)="feel(ask.name, $event)"
          />
        }
      </fieldset>
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 44rem;
    }
    p {
      margin: 0.2rem 0 0.4rem;
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      margin: 0.6rem 0 0;
      padding: 0;
      border: 0;
    }
    legend {
      padding: 0 0 0.3rem;
      font-weight: 700;
    }
    .chances {
      margin-top: 0.5rem;
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
  readonly tool = input<Stored<Tool>>();
  readonly sessions = input<readonly Stored<Session>[]>([]);
  private readonly figures = inject(Figures);
  private readonly tools = inject(ToolsStore);
  private readonly store = inject(SessionsStore);
  private readonly notices = inject(Notices);
  protected readonly day = formatDay;
  protected readonly wide = WIDE_ENOUGH;
  protected readonly percent = percent;

  protected readonly advice = computed(() => {
    const { deg, nowDeg, sides } = this.next();
    if (sides) return this.sidesAdvice(sides);
    const to = this.figures.angle(deg);
    if (deg === nowDeg) return `Keep ${to}.`;
    return `${deg < nowDeg ? 'Flatter' : 'Steeper'}: try ${to} next.`;
  });
  protected readonly why = computed(() => {
    const { bestDeg, lowDeg, highDeg, edges, sides, unusual } = this.next();
    const further = unusual ? `${this.unusual(unusual)} ` : '';
    const best = `${this.figures.angle(bestDeg)}${sides ? ' as the mean of its sides' : ''}`;
    return `${further}By how long its ${edges} edges lasted, which of them chipped and how they cut, the best lies about ${best}, four times in five from ${this.figures.angle(lowDeg)} to ${this.figures.angle(highDeg)}.`;
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

  /** Further than is usual it goes by its owner’s own choice alone. */
  private unusual(way: NonNullable<NextAngle['unusual']>): string {
    const family = this.tool()?.family;
    const of = family ? `a ${familyFacts(family).label.toLowerCase()}` : 'its kind';
    return way === 'flatter'
      ? `Flatter than that is not usual of ${of}: an edge that seems to ask for it may not have been sharp to begin with.`
      : `Steeper than that is not usual of ${of}: an edge that seems to ask for it may be soft, or used for what is too much for it.`;
  }

  private sidesAdvice({ leftDeg, rightDeg, nowLeftDeg, nowRightDeg, steers }: NextSides): string {
    const to = `${this.figures.angle(leftDeg)} left and ${this.figures.angle(rightDeg)} right`;
    if (leftDeg === nowLeftDeg && rightDeg === nowRightDeg) return `Keep ${to}.`;
    const why =
      steers === 'in'
        ? ' It dives: the side that lies on the work rides out by a degree.'
        : steers === 'out'
          ? ' It climbs out: the side that lies on the work goes flatter by a degree.'
          : '';
    return `Try ${to} next.${why}`;
  }

  /** The angles it would be kept at: both sides its own, or both alike. */
  private readonly wanted = computed(() => {
    const { deg, sides } = this.next();
    return sides ? { leftDeg: sides.leftDeg, rightDeg: sides.rightDeg } : { leftDeg: deg, rightDeg: deg };
  });
  private readonly knife = computed(() => {
    const edge = this.tool()?.edge;
    return edge?.form === 'knife' ? edge : undefined;
  });
  protected readonly canSet = computed(() => {
    const [knife, { leftDeg, rightDeg }] = [this.knife(), this.wanted()];
    return knife !== undefined && (knife.leftDeg !== leftDeg || knife.rightDeg !== rightDeg);
  });
  protected readonly setLabel = computed(() => {
    const { leftDeg, rightDeg } = this.wanted();
    const [left, right] = [leftDeg, rightDeg].map((deg) => this.figures.angle(deg));
    return leftDeg === rightDeg
      ? `Hone it at ${left} a side from now on`
      : `Hone it at ${left} and ${right} from now on`;
  });

  protected setIt(): void {
    const [tool, knife] = [this.tool(), this.knife()];
    if (!tool || !knife) return;
    const edge = { ...knife, ...this.wanted() };
    this.tools.amend(tool, { edge }).subscribe({
      next: () => this.notices.done('Its plan, its lift and its runs go by that now.'),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected readonly lastUse = computed(() => this.sessions().findLast(({ kind }) => kind === 'use'));
  protected readonly asks = computed(() => {
    const { bites, holds, steers } = this.lastUse()?.use?.felt ?? {};
    return [
      { name: 'bites', label: 'Whether it bites', options: BITES, value: bites },
      { name: 'holds', label: 'Whether it holds', options: HOLDS, value: holds },
      { name: 'steers', label: 'Whether it steers', options: STEERING, value: steers },
    ];
  });

  protected feel(name: string, value: unknown): void {
    const session = this.lastUse();
    if (!session) return;
    const { [name as keyof Felt]: _before, ...others } = session.use?.felt ?? {};
    const felt: Felt = { ...others, ...(value !== null && value !== undefined && { [name]: value }) };
    const { felt: _felt, ...use } = session.use ?? {};
    const said = Object.keys(felt).length > 0;
    this.store
      .change(session.id, session.version, {
        ...contentOf<Session>(session),
        use: { ...use, ...(said && { felt }) },
      })
      .subscribe({ error: (reason: unknown) => this.notices.refused(reason) });
  }
}
