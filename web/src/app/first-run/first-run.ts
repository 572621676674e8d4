import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import {
  type Abrasive,
  abrasiveByLook,
  ABRASIVE_KINDS,
  type Feel,
  feelsOf,
  grit,
  kindFacts,
  LOOKED_AT,
  type LookedAt,
  servesShape,
  STONE_LOOKS,
} from '@mellow-anvil/core/abrasive';
import { attempt, Refusal, unlessRefused } from '@mellow-anvil/core/base';
import {
  type Family,
  FAMILIES,
  FAMILY_NAMES,
  familyFacts,
  shapeOfEdge,
  type Tool,
  usualEdge,
  usualTool,
} from '@mellow-anvil/core/blade';
import { GENERIC_SIDE_CLAMPING_GUIDE, type Guide, seatTakes } from '@mellow-anvil/core/guide';
import { defaultRequest, oneStone, planHoning, secondStone } from '@mellow-anvil/core/plan';
import { FirstRunState } from '../data/first-run.state';
import { EdgeGlyph } from '../drawings/edge-glyph';
import { StoneGlyph } from '../drawings/stone-glyph';
import { OpenFile } from '../parts/open-file';
import { Notices } from '../platform/notices';
import { Figures } from '../ui/figures';
import { LineField } from '../ui/line-field';
import { QuantityField } from '../ui/quantity-field';

const BY_HAND: Guide = { name: 'By hand', form: 'freehand' };
const STROP = { ...abrasiveByLook('strop', 'fine'), name: 'Strop' };

/** How a face feels, as somebody says it. */
const FEEL_WORDS: Readonly<Record<Feel, string>> = {
  coarse: 'It rasps a fingernail',
  middle: 'Like fine sandpaper',
  fine: 'Slick, like slate',
};

const TOOLS = FAMILY_NAMES.map((family) => ({
  family,
  label: FAMILIES[family].label,
  edge: usualEdge(family),
}));

/**
 * An empty workshop: what is dull, how it is held, and what there is to sharpen it on, told by its looks, with the
 * plan beside it from the first answer on. All of it has a usual answer, and one stone is enough.
 */
@Component({
  selector: 'ma-first-run',
  imports: [Button, EdgeGlyph, LineField, OpenFile, QuantityField, StoneGlyph],
  templateUrl: './first-run.html',
  styleUrl: './first-run.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstRun {
  private readonly state = inject(FirstRunState);
  private readonly router = inject(Router);
  private readonly notices = inject(Notices);
  protected readonly figures = inject(Figures);

  protected readonly tools = TOOLS;
  protected readonly family = signal<Family>('bench-chisel');
  /** Nothing where it was not measured; as it usually is then. */
  private readonly widthMm = signal<number | undefined>(undefined);
  protected readonly inGuide = signal(true);
  private readonly picked = signal<LookedAt>('water-stone');
  private readonly felt = signal<Feel>('middle');
  /** The number on it, where there is one. */
  protected readonly number = signal('');
  protected readonly strop = signal(false);
  protected readonly sending = signal(false);

  protected readonly tool = computed((): Tool => {
    const tool = usualTool(this.family());
    const { edge } = tool;
    const widthMm = this.widthMm();
    if (widthMm === undefined || !('widthMm' in edge)) return tool;
    return { ...tool, edge: { ...edge, widthMm } };
  });
  protected readonly width = computed(() => {
    const { edge } = this.tool();
    return 'widthMm' in edge ? edge.widthMm : undefined;
  });

  /** Whether a clamping guide takes this blade at all. */
  protected readonly clamps = computed(() => {
    const { edge } = this.tool();
    return (
      edge.form === 'single-bevel' &&
      GENERIC_SIDE_CLAMPING_GUIDE.seats.some((seat) => seatTakes(seat, edge.widthMm))
    );
  });
  protected readonly guided = computed(() => this.inGuide() && this.clamps());

  /** What can hone this edge, each as it looks. */
  protected readonly kinds = computed(() => {
    const { finestUm = 0 } = familyFacts(this.family());
    const shape = shapeOfEdge(this.tool().edge);
    return LOOKED_AT.filter((kind) => servesShape({ kind }, shape) && !kindFacts(kind).strop)
      .map((kind) => ({
        kind,
        label: ABRASIVE_KINDS[kind].label,
        looks: STONE_LOOKS[kind].looks,
        stone: abrasiveByLook(kind, 'middle'),
        feels: feelsOf(kind).filter((feel) => grit(abrasiveByLook(kind, feel).grade).sizeUm >= finestUm),
      }))
      .filter(({ feels }) => feels.length > 0);
  });
  private readonly chosen = computed(
    () => this.kinds().find(({ kind }) => kind === this.picked()) ?? this.kinds()[0],
  );
  protected readonly kind = computed(() => this.chosen()?.kind);
  protected readonly feels = computed(() =>
    (this.chosen()?.feels ?? []).map((feel) => ({ feel, words: FEEL_WORDS[feel] })),
  );
  protected readonly feel = computed(
    () =>
      this.feels().find(({ feel }) => feel === this.felt())?.feel ?? this.feels().at(-1)?.feel ?? 'middle',
  );
  /** What a number found on it is read as. */
  protected readonly numberWords = computed(() => {
    const { kind = 'water-stone' } = this.chosen() ?? {};
    const { standard } = abrasiveByLook(kind, this.feel()).grade;
    return (
      { JIS: 'Number on it, if there is one', 'FEPA-P': 'P number on it, if there is one' }[
        standard as string
      ] ?? 'Grain on it in µm, if it is told'
    );
  });

  /** The stone as it will stand on the rail, or why the number cannot be read. */
  private readonly read = computed((): Abrasive | Refusal => {
    const { kind = 'water-stone' } = this.chosen() ?? {};
    const stone = abrasiveByLook(kind, this.feel());
    const number = this.number().trim();
    const { grade } = stone;
    const name = ABRASIVE_KINDS[kind].label;
    if (number === '') return { ...stone, name: `${name}, ${this.feel()}` };
    return attempt(() => {
      const told = { ...grade, grade: number };
      grit(told);
      return { ...stone, grade: told, name: `${name} ${number}` };
    });
  });
  protected readonly refused = computed(() => {
    const read = this.read();
    return read instanceof Refusal ? read.message : '';
  });
  private readonly bench = computed(() => {
    const read = this.read();
    if (read instanceof Refusal) return undefined;
    return [{ ...read, id: 'stone' }, ...(this.strop() ? [{ ...STROP, id: 'strop' }] : [])];
  });

  /** The plan as it will be, worked out of what is answered so far. */
  protected readonly plan = computed(() => {
    const [tool, bench] = [this.tool(), this.bench()];
    if (!bench) return undefined;
    const plan = attempt(() => planHoning(tool, bench, defaultRequest({ tool, bench })));
    if (plan instanceof Refusal) return { refusal: plan.message };
    const stones = new Map(bench.map((stone) => [stone.id as string, stone]));
    const steps = [
      ...(plan.shaping ? [plan.shaping] : []),
      ...plan.steps,
      ...(plan.strop ? [plan.strop] : []),
    ];
    return {
      minutes: this.figures.minutes(plan.totalMin),
      steps: steps.flatMap(({ id, strokes }) => {
        const stone = stones.get(id);
        return stone ? [{ stone, strokes }] : [];
      }),
      tooMuch: plan.tooMuch !== undefined,
    };
  });

  /** What one more stone would add. */
  protected readonly second = computed(() => {
    const bench = this.bench();
    const second = bench && unlessRefused(() => secondStone(this.tool(), bench));
    if (!second) return '';
    const { stone, finishUm, minutes } = second;
    const sizeUm = grit(stone.grade).sizeUm;
    const named = `${ABRASIVE_KINDS[stone.kind].label.toLowerCase()} of about ${this.figures.number(sizeUm, 0)} µm`;
    const [alone, both] = minutes.map((min) => this.figures.minutes(min)) as [string, string];
    return second.for === 'finish'
      ? `One stone is enough to begin with. A ${named} beside it would make the edge finer, ${this.figures.number(finishUm[1], 1)} instead of ${this.figures.number(finishUm[0], 1)} µm, in ${both} instead of ${alone}.`
      : `One stone is enough to begin with. A small nick would take ${alone} on it; with a ${named} beside it, ${both}.`;
  });

  /** Which one stone to begin with, once it was asked for. */
  protected readonly one = signal('');

  /** The one stone for this tool is taken for the plan, and why it is that one is told. */
  protected recommend(): void {
    const found = oneStone(this.tool());
    if (!found) return;
    const { stone, strokes, minutes } = found;
    const kind = LOOKED_AT.find((each) => each === stone.kind);
    const feel =
      kind &&
      feelsOf(kind).find(
        (each) => grit(abrasiveByLook(kind, each).grade).sizeUm === grit(stone.grade).sizeUm,
      );
    if (!kind || !feel) return;
    this.look(kind);
    this.felt.set(feel);
    const { sizeUm } = grit(stone.grade);
    const [blunt, nicked] = minutes.map((min) => this.figures.minutes(min)) as [string, string];
    this.one.set(
      `One stone for this tool: ${ABRASIVE_KINDS[kind].label.toLowerCase()}, about ${this.figures.number(sizeUm, 0)} µm. It is the finest on which a very dull edge is still no long work, ${strokes} strokes and ${blunt}; a nick of ${this.figures.length(0.1)} takes ${nicked}. By the estimates.`,
    );
  }

  protected pick(family: Family): void {
    this.one.set('');
    this.family.set(family);
    this.widthMm.set(undefined);
  }

  protected wide(widthMm: number | undefined): void {
    this.widthMm.set(Number.isFinite(widthMm) ? widthMm : undefined);
  }

  protected look(kind: LookedAt): void {
    this.picked.set(kind);
    this.number.set('');
  }

  protected touch(feel: Feel): void {
    this.felt.set(feel);
    this.number.set('');
  }

  protected begin(): void {
    const bench = this.bench();
    if (!bench || this.sending()) return;
    this.sending.set(true);
    this.state
      .begin({
        tools: [this.tool()],
        guides: [this.guided() ? GENERIC_SIDE_CLAMPING_GUIDE : BY_HAND],
        abrasives: bench.map(({ id: _, ...stone }) => stone),
      })
      .subscribe({
        next: ({ toolIds: [id] }) => void this.router.navigate(['/tools', id, 'plan']),
        error: (reason: unknown) => {
          this.sending.set(false);
          this.notices.refused(reason);
        },
      });
  }
}
