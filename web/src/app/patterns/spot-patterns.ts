import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import type { PatternName } from '@mellow-anvil/contract';
import { isWheel, wheelRadiusMm } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { onItsWheel } from '@mellow-anvil/core/guide';
import type { Pattern } from '@mellow-anvil/core/pattern';
import { AbrasivesStore } from '../data/abrasives.store';
import { ToolsStore } from '../data/tools.store';
import { GuidesStore } from '../data/guides.store';
import { ChoiceField } from '../ui/choice-field';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import { PatternDrawing } from '../drawings/pattern-drawing';
import { TakeAway } from '../ui/take-away';
import { anglesIn, SPOT_PATTERNS } from './spot-table';

/** As a field holds it: text where several are typed at once, nothing while it is empty. */
type Typed = number | string | undefined;

const KINDS = (Object.keys(SPOT_PATTERNS) as PatternName[]).map((value) => ({
  value,
  label: SPOT_PATTERNS[value].label,
}));

/** Something owned, and the figures of a pattern that come from it. */
interface Owned {
  readonly id: string;
  readonly name: string;
  readonly gives: Readonly<Record<string, number>>;
  readonly says: string;
}

const OWNED_WORDS = { wheel: 'Wheel', jig: 'Jig', gouge: 'Gouge', v: 'V-tool' } as const;

interface Made {
  readonly pattern?: Pattern;
  readonly query: Readonly<Record<string, string | number>>;
  /** The sentence at each field that is wrong, or beneath them all. */
  readonly wrong: Readonly<Record<string, string>>;
}

/** Gauges and templates worked out on the spot, drawn and handed out. */
@Component({
  selector: 'ma-spot-patterns',
  imports: [ChoiceField, FormsModule, LineField, PatternDrawing, QuantityField, SelectButton, TakeAway],
  templateUrl: './spot-patterns.html',
  styles: `
    section {
      border-top: 3px solid var(--leather);
      padding-top: 0.7rem;
      display: grid;
      gap: 0.9rem;
    }
    .both {
      display: grid;
      grid-template-columns: minmax(15rem, 2fr) minmax(0, 3fr);
      gap: 1.2rem;
      align-items: start;
    }
    .fields {
      display: grid;
      gap: 0.8rem;
    }
    .note {
      border-left: var(--mark) solid var(--leather);
      padding-left: 0.7rem;
      margin: 0;
    }
    @media (max-width: 60rem) {
      .both {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SpotPatterns {
  private readonly figures = inject(Figures);
  private readonly bench = toSignal(inject(AbrasivesStore).items$, { initialValue: [] });
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  protected readonly kinds = KINDS;
  protected readonly kind = signal<PatternName>('bevel-gauge');
  protected readonly spot = computed(() => SPOT_PATTERNS[this.kind()]);

  private readonly owned = computed((): readonly Owned[] => {
    const { owned } = this.spot();
    if (owned === undefined) return [];
    if (owned === 'wheel') return this.wheels();
    return owned === 'jig' ? this.jigs() : this.toolsOf(owned);
  });
  protected readonly ownedLabel = computed(() => OWNED_WORDS[this.spot().owned ?? 'wheel']);
  protected readonly choices = computed(() =>
    this.owned().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly chosenId = linkedSignal(() => this.owned()[0]?.id ?? '');
  protected readonly chosen = computed(() => this.owned().find(({ id }) => id === this.chosenId()));

  /** What was typed of the kind at hand, over what it starts with and what the thing chosen gives. */
  private readonly typed = linkedSignal<PatternName, Readonly<Record<string, Typed>>>({
    source: this.kind,
    computation: () => ({}),
  });
  protected readonly values = computed((): Readonly<Record<string, Typed>> => ({
    ...Object.fromEntries(this.spot().fields.map(({ name, start }) => [name, start])),
    ...this.chosen()?.gives,
    ...this.typed(),
  }));

  protected readonly made = computed((): Made => {
    const { owned } = this.spot();
    if (owned === 'jig' && !this.chosen()) return { query: {}, wrong: {} };
    const result = attempt(() => this.make());
    if (!(result instanceof Refusal)) return { ...result, wrong: {} };
    // A sentence about one of several angles stands at their one field.
    const [field = ''] = result.field.split('.');
    const asked = this.spot().fields.some(({ name }) => name === field);
    return { query: {}, wrong: { [asked ? field : '']: result.message } };
  });

  protected type(name: string, value: Typed): void {
    this.typed.update((typed) => ({ ...typed, [name]: value }));
  }

  /** Another wheel or jig: what it gives stands over what was typed of it. */
  protected choose(id: string): void {
    this.chosenId.set(id);
    const gives = this.chosen()?.gives ?? {};
    this.typed.update((typed) =>
      Object.fromEntries(Object.entries(typed).filter(([name]) => !(name in gives))),
    );
  }

  private readonly wheels = computed(() =>
    this.bench().flatMap((stone): Owned[] => {
      const radius = isWheel(stone) ? wheelRadiusMm(stone) : undefined;
      return radius === undefined
        ? []
        : [{ id: stone.id, name: stone.name, gives: { wheelRadiusMm: radius }, says: '' }];
    }),
  );
  private readonly jigs = computed(() =>
    this.guides().flatMap((guide): Owned[] => {
      if (guide.form !== 'wet-wheel-jig') return [];
      const {
        id,
        name,
        wheelRadiusMm: radius,
        jigProjectionMm,
        offsetMm,
        barDiameterMm,
      } = onItsWheel(guide, this.bench());
      const bar = barDiameterMm !== undefined && { barDiameterMm };
      return [
        {
          id,
          name,
          gives: { wheelRadiusMm: radius, jigProjectionMm, offsetMm, ...bar },
          says: `Wheel ${this.figures.length(2 * radius)} across, blade ${this.figures.length(jigProjectionMm)} out of the bar.`,
        },
      ];
    }),
  );

  /** Tools of the rack that a strop may be cut to, with their own figures. */
  private toolsOf(form: 'gouge' | 'v'): readonly Owned[] {
    return this.tools().flatMap(({ id, name, edge }): Owned[] => {
      if (edge.form !== form) return [];
      const gives: Owned['gives'] =
        edge.form === 'gouge'
          ? { widthMm: edge.widthMm, depthMm: edge.depthMm, wallMm: edge.thicknessMm }
          : { wingMm: edge.wingMm, openingDeg: edge.openingDeg, keelRadiusMm: edge.keelRadiusMm };
      return [{ id, name, gives, says: '' }];
    });
  }

  private make(): Pick<Made, 'pattern' | 'query'> {
    const { fixed, draw } = this.spot();
    const asked = Object.fromEntries(
      Object.entries({ ...this.values(), ...fixed }).map(
        ([name, value]): [string, number | readonly number[]] => [
          name,
          typeof value === 'string' ? anglesIn(value) : (value ?? NaN),
        ],
      ),
    );
    if (!Object.values(asked).flat().every(Number.isFinite)) return { query: {} };
    const query = Object.fromEntries(
      Object.entries(asked).map(([name, value]) => [
        name,
        typeof value === 'number' ? value : value.join(','),
      ]),
    );
    return { pattern: draw(asked, this.figures.patternHand()), query };
  }
}
