import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { kindFacts, type OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { TooMuch, WayOut } from '@mellow-anvil/core/plan';
import { Figures } from '../../ui/figures';

interface Told {
  readonly way: WayOut;
  readonly what: string;
  readonly how: string;
  readonly minutes: string;
  /** What one tap does; nothing where somebody else has to do it. */
  readonly tap?: string;
}

/** A plan nobody would walk: why, and the other ways, soonest first, each one tap from being the plan. */
@Component({
  selector: 'ma-ways',
  imports: [Button],
  template: `
    <section aria-label="Not on these stones">
      <p class="why">
        <b>Not on these stones.</b>
        {{ why() }}
      </p>
      <ol>
        @for (each of told(); track each.way.way) {
          <li>
            <span class="minutes figure">{{ each.minutes }}</span>
            <span class="what">
              <b>{{ each.what }}</b>
              {{ each.how }}
            </span>
            @if (each.tap; as tap) {
              <p-button
                [label]="tap"
                [ariaLabel]="tap + ': ' + each.what"
                size="small"
                severity="secondary"
                [outlined]="true"
                (onClick)="taken.emit(each.way)"
              />
            }
          </li>
        }
      </ol>
    </section>
  `,
  styles: `
    section {
      border: 3px solid var(--accent);
      padding: 0.5rem 0.8rem;
      background: var(--accent-wash);
    }
    .why {
      margin: 0;
    }
    ol {
      list-style: none;
      margin: 0.3rem 0 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: 5.5rem 1fr auto;
      gap: 0.2rem 0.8rem;
      align-items: center;
      min-height: 40px;
      border-top: 1px solid var(--line);
    }
    .minutes {
      font-size: 1.2rem;
    }
    @media (max-width: 40rem) {
      li {
        grid-template-columns: 4.5rem 1fr;
      }
      li p-button {
        grid-column: 2;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WaysPanel {
  readonly tooMuch = input.required<TooMuch>();
  readonly stones = input.required<readonly OwnedAbrasive[]>();
  /** Steel the long way takes, mm³. */
  readonly removeMm3 = input(0);
  readonly taken = output<WayOut>();

  private readonly figures = inject(Figures);

  protected readonly why = computed(() => {
    const { id, strokes, rubbingMin, ofEach } = this.tooMuch();
    const stone = this.stones().find((each) => each.id === id)?.name ?? 'one of them';
    return `${this.figures.number(strokes, 0)} strokes on the ${stone}${ofEach ? ' for each knife' : ''}, ${this.figures.minutes(rubbingMin)} of rubbing. Sooner done otherwise:`;
  });

  protected readonly told = computed((): readonly Told[] =>
    this.tooMuch().ways.map((way) => ({
      way,
      minutes: way.minutes === undefined ? '' : this.figures.minutes(way.minutes),
      ...this.words(way),
    })),
  );

  private words(way: WayOut): Pick<Told, 'what' | 'how' | 'tap'> {
    switch (way.way) {
      case 'wheel':
        return {
          what: 'Grind it first',
          how: 'set-up, dips and finishing counted.',
          tap: 'Plan it so',
        };
      case 'coarser-stone': {
        const { kind, sizeUm } = way.stone ?? { kind: 'diamond-plate', sizeUm: 80 };
        return {
          what: `Fetch a coarser one: about ${this.figures.number(sizeUm, 0)} µm`,
          how: `a ${kindFacts(kind).label.toLowerCase()}, for instance.`,
          tap: 'Put one on the rail',
        };
      }
      case 'steeper-for-now':
        return {
          what: `A narrow micro-bevel for now, at ${this.figures.angle(way.microDeg ?? 0)}`,
          how: 'it cuts today; the bevel is brought back at the next grinding.',
          tap: 'Plan it so',
        };
      case 'shim-back':
        return {
          what: 'The back over a thin shim',
          how: 'polished at the very edge alone; not for what is guided by its back.',
          tap: 'Plan it so',
        };
      case 'part-now': {
        const rest = way.honingsAfter ?? 1;
        return {
          what: `${this.figures.length(way.nickMm ?? 0)} of the nick now`,
          how: `the rest over the next ${rest === 1 ? 'honing' : `${String(rest)} honings`}; work beside it meanwhile.`,
          tap: 'Plan it so',
        };
      }
      case 'shift-knives':
        return {
          what: 'Hone them as dull, and shift two sideways',
          how: `one to the left, one to the right, by more than the nick is wide, so that what one leaves the next one takes: ${this.figures.number(way.removeMm3 ?? 0, 0)} mm³ of steel against ${this.figures.number(this.removeMm3(), 0)} with all of them down to the nick. Only where the machine’s manual lets knives be shifted.`,
          tap: 'Plan it so',
        };
      case 'send-out':
        return { what: 'Send it out', how: 'to a grinder who keeps it cool.' };
    }
  }
}
