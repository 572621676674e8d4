import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { Edge } from '@mellow-anvil/core/blade';
import type { Burr } from '@mellow-anvil/core/record';
import { BURR_PLACES, type BurrFeel, burrOf } from '@mellow-anvil/core/run';
import { EdgeFront } from '../drawings/edge-front';

/** How a burr was felt. */
export interface BurrFelt {
  readonly burr: Burr;
  readonly places?: readonly BurrFeel[];
  readonly other?: readonly BurrFeel[];
}

const NEXT: Readonly<Record<BurrFeel, BurrFeel>> = { felt: 'strong', strong: 'none', none: 'felt' };
const WORDS: Readonly<Record<BurrFeel, string>> = { felt: 'felt', strong: 'strong', none: 'none' };
const SPOTS = ['left end', 'half left', 'middle', 'half right', 'right end'] as const;
const ALL: readonly BurrFeel[] = Array.from({ length: BURR_PLACES }, () => 'felt');

/** Where along the edge a burr is felt, drawn place by place on one side or both; or all along, none, cannot tell. */
@Component({
  selector: 'ma-burr-gate',
  imports: [Button, EdgeFront],
  template: `
    @if (edge(); as shape) {
      <ma-edge-front [edge]="shape" />
    }
    @for (side of sides(); track side.index) {
      <div class="edge" role="group" [attr.aria-label]="side.label">
        @if (side.label) {
          <b class="side">{{ side.label }}</b>
        }
        @for (feel of side.places; track $index) {
          <button
            type="button"
            [class]="'place ' + feel"
            [attr.aria-label]="spots[$index] + ': ' + words[feel]"
            (click)="turn(side.index, $index)"
          >
            <span class="wire" aria-hidden="true"></span>
            <span class="feel">{{ words[feel] }}</span>
          </button>
        }
      </div>
    }
    <p class="how">Tap a place: felt, strong, none.</p>
    <div class="quick">
      <p-button styleClass="target" label="All along" (onClick)="say('all-along')" [outlined]="drawn()" />
      <p-button
        styleClass="target"
        [label]="drawn() ? 'As drawn' : 'None'"
        [severity]="drawn() ? undefined : 'secondary'"
        [outlined]="!drawn()"
        (onClick)="drawn() ? asDrawn() : say('none')"
      />
      <p-button
        styleClass="target"
        label="Cannot tell"
        severity="secondary"
        [outlined]="true"
        (onClick)="say('cannot-tell')"
      />
    </div>
  `,
  styleUrl: './gate.css',
  styles: `
    .edge {
      display: grid;
      grid-template-columns: repeat(5, minmax(0, 1fr));
      gap: 4px;
      min-height: min(32vh, 15rem);
    }
    .side {
      grid-column: 1 / -1;
    }
    .place {
      font: inherit;
      color: var(--ink);
      background: var(--raised);
      border: 2px solid var(--line);
      border-top: 6px solid var(--steel-line);
      min-height: 100px;
      display: grid;
      align-content: space-between;
      justify-items: center;
      padding: 0 0 0.6rem;
      cursor: pointer;
      touch-action: manipulation;
    }
    .wire {
      width: 100%;
      height: 12px;
      background: var(--accent);
    }
    .strong .wire {
      height: 30px;
    }
    .none .wire {
      height: 0;
    }
    .none {
      border-style: dashed;
    }
    .feel {
      font-size: 1.2rem;
      font-weight: 700;
    }
    .how {
      color: var(--muted);
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BurrGate {
  /** Drawn in its own shape. */
  readonly edge = input<Edge>();
  /** Names of the sides it is felt on. */
  readonly sideNames = input<readonly string[]>(['']);
  readonly felt = output<BurrFelt>();
  protected readonly words = WORDS;
  protected readonly spots = SPOTS;
  private readonly places = linkedSignal(() => this.sideNames().map(() => ALL));
  protected readonly sides = computed(() =>
    this.places().map((places, index) => ({ index, places, label: this.sideNames()[index] ?? '' })),
  );
  protected readonly drawn = computed(() =>
    this.places().some((side) => side.some((feel) => feel !== 'felt')),
  );

  protected turn(side: number, place: number): void {
    this.places.update((sides) =>
      sides.map((places, i) =>
        i === side ? places.map((feel, j) => (j === place ? NEXT[feel] : feel)) : places,
      ),
    );
  }

  protected say(burr: Burr): void {
    this.felt.emit({ burr });
  }

  protected asDrawn(): void {
    const [places = ALL, other] = this.places();
    this.felt.emit({ burr: burrOf(places, other), places, ...(other && { other }) });
  }
}
