import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import type { PatternName } from '@mellow-anvil/contract';
import { isWheel, wheelRadiusMm } from '@mellow-anvil/core/abrasive';
import { attempt, parseNumber, Refusal } from '@mellow-anvil/core/base';
import { onItsWheel } from '@mellow-anvil/core/guide';
import {
  bevelGauge,
  camberTemplate,
  foldingSheet,
  gaugeBlock,
  type Pattern,
  restTemplate,
} from '@mellow-anvil/core/pattern';
import { AbrasivesStore } from '../data/abrasives.store';
import { GuidesStore } from '../data/guides.store';
import { ChoiceField } from '../ui/choice-field';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';
import { PatternDrawing } from '../drawings/pattern-drawing';
import { TakeAway, type FileForm } from '../ui/take-away';

const KINDS: readonly { readonly value: PatternName; readonly label: string }[] = [
  { value: 'bevel-gauge', label: 'Bevel gauge' },
  { value: 'rest-template', label: 'Template for a tool rest' },
  { value: 'gauge-block', label: 'Block for a support bar' },
  { value: 'camber-template', label: 'Camber template' },
  { value: 'folding-sheet', label: 'Folding template' },
];

type Asked = Readonly<Record<string, string | number>>;

/** A wheel before any was measured: a small bench grinder's. */
const SMALL_WHEEL_MM = 75;
const BAR_MM = 12;

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
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });
  protected readonly kinds = [...KINDS];
  protected readonly kind = signal<PatternName>('bevel-gauge');

  protected readonly gaugeAngles = signal('20 25 30 35 40');
  protected readonly notchMm = signal<number | undefined>(14);
  protected readonly bladeMm = signal<number | undefined>(4);
  protected readonly bevelDeg = signal<number | undefined>(25);
  protected readonly foldDeg = signal<number | undefined>(30);
  protected readonly sheetMm = signal<number | undefined>(120);
  protected readonly ironMm = signal<number | undefined>(33);
  protected readonly curveMm = signal<number | undefined>(75);
  protected readonly blockAngles = signal('20 25 30');

  private readonly measuredWheels = computed(() =>
    this.bench().filter((each) => isWheel(each) && wheelRadiusMm(each) !== undefined),
  );
  protected readonly wheels = computed(() =>
    this.measuredWheels().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly wheelId = linkedSignal(() => this.wheels()[0]?.value ?? '');
  protected readonly restRadius = linkedSignal((): number | undefined => {
    const wheel = this.measuredWheels().find(({ id }) => id === this.wheelId());
    return (wheel && wheelRadiusMm(wheel)) ?? SMALL_WHEEL_MM;
  });

  private readonly wheelJigs = computed(() =>
    this.guides().flatMap((guide) =>
      guide.form === 'wet-wheel-jig' ? [onItsWheel(guide, this.bench())] : [],
    ),
  );
  protected readonly jigs = computed(() =>
    this.wheelJigs().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly jigId = linkedSignal(() => this.jigs()[0]?.value ?? '');
  private readonly jig = computed(() => this.wheelJigs().find(({ id }) => id === this.jigId()));
  protected readonly barMm = linkedSignal((): number | undefined => this.jig()?.barDiameterMm ?? BAR_MM);
  protected readonly jigSays = computed(() => {
    const jig = this.jig();
    return jig
      ? `Wheel ${this.figures.length(2 * jig.wheelRadiusMm)} across, blade ${this.figures.length(jig.jigProjectionMm)} out of the bar.`
      : '';
  });
  protected readonly forms = computed((): readonly FileForm[] =>
    this.kind() === 'folding-sheet' ? ['pdf', 'svg', 'dxf'] : ['pdf', 'svg', 'dxf', 'stl'],
  );

  protected readonly made = computed(
    (): {
      pattern?: Pattern;
      query: Asked;
      wrong: Readonly<Record<string, string>>;
      words: string;
    } => {
      const result = attempt(() => this.make());
      if (!(result instanceof Refusal)) return { ...result, wrong: {}, words: '' };
      // A sentence about one of several angles stands at their one field.
      const field = result.field.split('.')[0] ?? '';
      return { query: {}, wrong: { [field]: result.message }, words: field ? '' : result.message };
    },
  );

  private make(): { pattern?: Pattern; query: Asked } {
    const hand = this.figures.patternHand();
    switch (this.kind()) {
      case 'bevel-gauge': {
        const asked = {
          anglesDeg: anglesIn(this.gaugeAngles()),
          notchMm: this.notchMm() ?? NaN,
          thicknessMm: 2,
        };
        if (!readable(asked)) return { query: {} };
        return { pattern: bevelGauge(asked, hand), query: queryOf(asked) };
      }
      case 'rest-template': {
        const asked = {
          wheelRadiusMm: this.restRadius() ?? NaN,
          thicknessMm: this.bladeMm() ?? NaN,
          bevelDeg: this.bevelDeg() ?? NaN,
          plateMm: 6,
        };
        if (!readable(asked)) return { query: {} };
        return { pattern: restTemplate(asked, hand), query: queryOf(asked) };
      }
      case 'gauge-block': {
        const jig = this.jig();
        if (!jig) return { query: {} };
        const { wheelRadiusMm: radius, jigProjectionMm, offsetMm } = jig;
        const asked = {
          wheelRadiusMm: radius,
          jigProjectionMm,
          offsetMm,
          barDiameterMm: this.barMm() ?? NaN,
          anglesDeg: anglesIn(this.blockAngles()),
          thicknessMm: 12,
        };
        if (!readable(asked)) return { query: {} };
        return { pattern: gaugeBlock(asked, hand), query: queryOf(asked) };
      }
      case 'camber-template': {
        const asked = { widthMm: this.ironMm() ?? NaN, radiusMm: this.curveMm() ?? NaN, plateMm: 3 };
        if (!readable(asked)) return { query: {} };
        return { pattern: camberTemplate(asked, hand), query: queryOf(asked) };
      }
      case 'folding-sheet': {
        const asked = { angleDeg: this.foldDeg() ?? NaN, sideMm: this.sheetMm() ?? NaN };
        if (!readable(asked)) return { query: {} };
        return { pattern: foldingSheet(asked, hand), query: queryOf(asked) };
      }
    }
  }
}

/** Angles as they are typed, with spaces or semicolons between. @throws Refusal on `anglesDeg` */
function anglesIn(text: string): readonly number[] {
  return text
    .split(/[\s;°]+/)
    .filter((part) => part !== '')
    .map((part) => parseNumber(part, 'anglesDeg'));
}

const readable = (asked: object): boolean =>
  Object.values(asked)
    .flat()
    .every((value) => Number.isFinite(value));

const queryOf = (asked: object): Asked =>
  Object.fromEntries(
    Object.entries(asked).map(([name, value]) => [
      name,
      Array.isArray(value) ? value.join(',') : (value as number),
    ]),
  );
