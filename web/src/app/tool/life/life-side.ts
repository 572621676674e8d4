import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { distinctUntilChanged, map, switchMap } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import { formatDay } from '@mellow-anvil/core/base';
import type { Tool } from '@mellow-anvil/core/blade';
import {
  backPmMm,
  backRimMm,
  type EdgeState,
  landPmMm,
  type NextAngle,
  type Session,
  SESSION_KINDS,
  type SessionKind,
  settingPmDeg,
  honingsToClose,
  itemOf,
  thickeningOf,
  TIP_TIMES,
} from '@mellow-anvil/core/record';
import { LEAST_EDGE_RIM_MM } from '@mellow-anvil/core/grinding';
import { isWheel, servesShape } from '@mellow-anvil/core/abrasive';
import { bodyStrokes, type Facet } from '@mellow-anvil/core/work';
import { AbrasivesStore } from '../../data/abrasives.store';
import { RecordsStore, type Entry, type Records } from '../../data/records.store';
import { Figures } from '../../ui/figures';
import { blankEntry } from '../../data/blank-entry';
import { EntryEdit } from './entry-edit';
import { KIND_WORDS, changeWords, entryWords, outcomeWords } from '../../words/entry-words';
import { EdgeLifePanel } from './edge-life-panel';
import { LifeCharts } from './life-charts';
import { LadderPanel } from './ladder-panel';
import { NextAnglePanel } from './next-angle-panel';

const AT_FIRST = 5;
import { VERDICT_WORDS } from '../../words/old-edge-words';
import { settingAngles } from '../../words/stop-words';
import { landAgainstWords } from '../../words/land-words';

/** More strokes than these nobody gives a blade’s body at a honing (estimate). */
const MOST_ON_BODY = 120;
/** Shorter than that it is told in micrometres, mm. */
const SLIVER_MM = 0.1;

/** The vise's fourth side: everything that was done with the tool in hand, and what it changed. */
@Component({
  selector: 'ma-life-side',
  imports: [
    NgTemplateOutlet,
    Button,
    EdgeLifePanel,
    EntryEdit,
    FormsModule,
    LifeCharts,
    LadderPanel,
    NextAnglePanel,
    SelectButton,
  ],
  templateUrl: './life-side.html',
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .entries {
      display: grid;
      gap: 0.3rem;
    }
    .faces {
      color: var(--muted);
    }
    .put,
    header {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
      align-items: center;
    }
    header {
      justify-content: space-between;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      border-bottom: 1px solid var(--line);
    }
    li > button {
      display: grid;
      grid-template-columns: 7.2rem 6rem 1fr;
      gap: 0.8rem;
      width: 100%;
      min-height: var(--touch);
      padding: 0.25rem 0.3rem;
      line-height: 1.3;
      text-align: left;
      font: inherit;
      color: inherit;
      background: none;
      border: 0;
      cursor: pointer;
    }
    li > button:hover {
      background: var(--raised);
    }
    .honing b,
    .grinding b {
      color: var(--accent);
    }
    span {
      display: grid;
    }
    em {
      font-style: normal;
      color: var(--leather);
      font-weight: 700;
    }
    small {
      color: var(--muted);
      font-size: 0.92rem;
    }
    @media (max-width: 40rem) {
      li > button {
        grid-template-columns: auto 1fr;
      }
      li > button span {
        grid-column: 1 / -1;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LifeSide {
  readonly tool = input.required<Stored<Tool>>();

  private readonly records = inject(RecordsStore);
  private readonly figures = inject(Figures);
  private readonly stones = inject(AbrasivesStore);
  private readonly nameOf = toSignal(this.stones.nameOf$, { requireSync: true });
  private readonly bench = toSignal(this.stones.inOrder$, { initialValue: [] });
  protected readonly life = toSignal(
    toObservable(this.tool).pipe(
      map(({ id }) => id),
      distinctUntilChanged(),
      switchMap((id) => this.records.life(id)),
    ),
  );
  private readonly all = toSignal(this.records.records$, { initialValue: {} as Records });
  /** Its record as it is judged beside like tools. */
  protected readonly judged = computed(() => this.all()[this.tool().id]);
  protected readonly sessions = computed(() => (this.life()?.entries ?? []).map(({ session }) => session));
  protected readonly words = KIND_WORDS;
  protected readonly kinds = SESSION_KINDS;
  protected readonly filters = [
    { value: 'all', label: 'All' },
    { value: 'edge', label: 'Sharpening' },
    { value: 'use', label: 'Use' },
  ];
  protected readonly filter = signal<'all' | 'edge' | 'use'>('all');
  protected readonly many = signal(AT_FIRST);
  protected readonly opened = signal('');
  protected readonly blank = signal<Session | undefined>(undefined);

  private readonly wanted = computed(() => {
    const [entries, filter] = [this.life()?.entries ?? [], this.filter()];
    return entries
      .filter(({ session }) => filter === 'all' || (session.kind === 'use') === (filter === 'use'))
      .toReversed();
  });
  protected readonly shown = computed(() => this.wanted().slice(0, this.many()));
  protected readonly more = computed(() => Math.max(0, this.wanted().length - this.many()));

  protected readonly sum = computed(() => {
    const { record, entries } = this.life() ?? {};
    const [first] = entries ?? [];
    if (!record || !first) return '';
    const { state } = record;
    const honings = entries?.filter(({ session }) => session.kind === 'honing').length ?? 0;
    const land =
      state.landMm === undefined
        ? ''
        : ` The land is ${this.figures.length(state.landMm)} ± ${this.figures.length(landPmMm(state))}, reckoned from ${FROM[state.landFrom]}${this.since(state.honingsSinceThen)}.${landAgainstWords(state, this.figures)}`;
    return (
      `Since ${formatDay(first.session.startedAt)}: honed ${honings === 1 ? 'once' : `${honings} times`}, ` +
      `the edge ${this.back(state.backMm, honings)} further back, ${this.figures.number(state.steelMm3, 1)} mm³ of steel given up.${land}${this.rim(state)}${this.behind(state)}${this.lastSet(state)}${this.toTry(record.nextAngle)}`
    );
  });

  private since(honings: number): string {
    return honings === 0 ? '' : ` and ${honings === 1 ? 'one honing' : `${honings} honings`} since`;
  }

  private toTry(next: NextAngle | undefined): string {
    if (!next) return '';
    const { deg, nowDeg, sides } = next;
    const [to, from] = sides
      ? [
          { angleDeg: sides.leftDeg, rightDeg: sides.rightDeg },
          { angleDeg: sides.nowLeftDeg, rightDeg: sides.nowRightDeg },
        ].map((angles) => settingAngles(angles, this.figures))
      : [deg, nowDeg].map((angle) => this.figures.angle(angle));
    return to === from ? ` Keep ${to}.` : ` Try ${to} next.`;
  }

  /** Of a hollow facet: when its rims meet. Of a thin blade: how thick it has grown behind its edge, and when strokes belong there. */
  private behind(state: EdgeState): string {
    const closes = honingsToClose(this.tool().edge, state);
    if (closes !== undefined)
      return closes === 0
        ? ' Its hollow is closed: all of the facet is honed now.'
        : ` Its hollow closes in about ${closes} more honings; then all of the facet is honed.`;
    const found = thickeningOf(this.tool(), state);
    if (!found || state.honings === 0) return '';
    const [first, now] = [found.firstMm, found.nowMm].map((mm) => this.figures.length(mm));
    const then = found.thick
      ? 'Give some strokes to the body behind the edge: it is twice as thick as it was.'
      : found.honingsLeft === undefined
        ? ''
        : `In about ${found.honingsLeft} more honings it is twice as thick, and wants strokes on its body.`;
    return ` Behind its edge it is about ${now} thick, ${first} at first. ${then}${this.onBody(found.eachMm)}`.trimEnd();
  }

  /** What keeps a blade as thick behind its edge as it is, on the coarsest stone there is; no more than anybody would. */
  private onBody(eachMm: number): string {
    const tool = this.tool();
    const stone = this.bench().find((each) => servesShape(each, 'straight') && !isWheel(each));
    const item =
      stone &&
      itemOf(tool, { abrasiveId: stone.id, strokes: 1, minutes: 0 }, undefined, new Map([[stone.id, stone]]));
    if (!item || eachMm <= 0 || tool.edge.form !== 'knife') return '';
    const strokes = bodyStrokes(tool.edge, eachMm, item);
    if (strokes > MOST_ON_BODY) return '';
    return ` Some ${this.figures.number(strokes, 0)} strokes flat on its body at each honing, on ${this.nameOf()(stone.id)}, keep it as it is.`;
  }

  /** Of a hollowed back: what is left of the rim at its edge. */
  private rim(state: EdgeState): string {
    const mm = backRimMm(state);
    if (mm === undefined) return '';
    const soon =
      mm < LEAST_EDGE_RIM_MM
        ? ' Soon the edge falls into the hollow: flatten the back, or hollow it further off.'
        : '';
    return ` ${this.figures.length(mm)} of flat is left between the edge and the hollow in its back.${soon}`;
  }

  /** How it was looked over before it was bought, and what is left of that steel. */
  protected readonly bought = computed(() => {
    const { bought } = this.tool();
    if (!bought) return '';
    const { on, verdict, minutes, recessionMm, leftMm, yearsLow, yearsHigh } = bought;
    const { figures } = this;
    const since = this.life()?.record.state.backMm ?? 0;
    const left = Math.max(0, leftMm + recessionMm - since);
    return `Bought ${formatDay(on)}, ${VERDICT_WORDS[verdict].toLowerCase()}: ${figures.minutes(minutes)} and ${figures.length(recessionMm)} of steel to a first edge, ${figures.number(yearsLow, 0)} to ${figures.number(yearsHigh, 0)} years of edge. ${figures.length(left)} of hard steel is left now.`;
  });

  /** In micrometres, where hundredths of a millimetre would say too little. */
  private back(backMm: number, honings: number): string {
    const words = (mm: number): string =>
      backMm < SLIVER_MM ? this.figures.sliver(mm) : this.figures.length(mm);
    return `${words(backMm)} ± ${words(backPmMm(backMm, honings))}`;
  }

  /** The faces that were honed, as they are reckoned to stand. */
  protected readonly faces = computed(() => {
    const { record, entries } = this.life() ?? {};
    if (!record || !entries?.some(({ session }) => session.kind === 'honing')) return '';
    const { facets, tipUm } = record.state;
    const told = facets
      .filter(({ facet }) => facet !== 'primary' && facet !== 'body')
      .map(({ facet, angleDeg, lengthMm, marksUm }) => {
        const marks = marksUm === undefined ? '' : `, marks about ${this.figures.number(marksUm, 1)} µm deep`;
        return `${FACE_WORDS[facet]} ${this.figures.length(lengthMm)} long at ${this.figures.angle(angleDeg)}${marks}`;
      });
    const [least, most] = [tipUm / TIP_TIMES, tipUm * TIP_TIMES].map((um) => this.figures.number(um, 1));
    const tip = `Its tip should be about ${this.figures.number(tipUm, 1)} µm round by now (${least} to ${most}).`;
    return `By its strokes: ${told.join('; ')}. ${tip}`;
  });

  /** The angle last set, on which seat and stop. */
  private lastSet({ lastSetting }: EdgeState): string {
    if (!lastSetting) return '';
    const { projectionMm, seatName, at, stop } = lastSetting;
    const by = stop ? ` by stop ${stop.label} of ${stop.board}` : '';
    const out =
      projectionMm === undefined
        ? ''
        : `, ${this.figures.length(projectionMm)} out of the ${seatName ?? 'guide'}`;
    return ` Last set to ${settingAngles(lastSetting, this.figures)} ± ${this.figures.angle(settingPmDeg(lastSetting))}${by}${out}, on ${formatDay(at)}.`;
  }

  protected day({ session }: Entry): string {
    return formatDay(session.startedAt);
  }

  protected what(entry: Entry): string {
    return entryWords(entry, this.nameOf(), this.figures);
  }

  protected changed(entry: Entry): string {
    return changeWords(entry, this.figures);
  }

  /** Who, burr and proof, notes. */
  protected beside({ session }: Entry): string {
    const { who, outcome, notes } = session;
    return [who, outcome && outcomeWords(outcome), notes].filter(Boolean).join(' · ');
  }

  protected toggle(id: string): void {
    this.opened.set(this.opened() === id ? '' : id);
  }

  protected begin(kind: SessionKind): void {
    this.blank.set(blankEntry(this.tool(), kind, new Date(), this.life()?.record.state.lastSetting));
  }
}

const FACE_WORDS: Readonly<Record<Facet, string>> = {
  micro: 'micro-bevel',
  secondary: 'secondary',
  primary: 'primary',
  bevel: 'bevel',
  left: 'left bevel',
  right: 'right bevel',
  back: 'back',
  rim: 'rims',
  body: 'body',
  inside: 'inside',
  keel: 'keel',
};

const FROM = {
  entered: 'what was entered',
  assumed: 'what was taken for it',
  measured: 'its readings',
  ground: 'the last grinding',
} as const;
