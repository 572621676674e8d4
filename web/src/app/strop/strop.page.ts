import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { catchError, map, of, switchMap } from 'rxjs';
import { familyFacts } from '@mellow-anvil/core/blade';
import { POWERED_STROP, stropHeat, type WedgeHeat } from '@mellow-anvil/core/grinding';
import { type Session, STROP_EVERY_MIN, stropsDone } from '@mellow-anvil/core/record';
import { RecordsStore, type Records } from '../data/records.store';
import { SessionsStore } from '../data/sessions.store';
import { ChoiceField } from '../ui/choice-field';
import { Figures } from '../ui/figures';
import { keptOnStrop } from '../words/strop-words';
import { Notices } from '../platform/notices';
import { QuantityField } from '../ui/quantity-field';
import { AbrasivesStore } from '../data/abrasives.store';
import { HeavyWork } from '../platform/heavy-work';
import { ToolsStore } from '../data/tools.store';
import { StropTimer } from './strop-timer';
import { Stropping } from '../data/stropping';

/** The strop companion: a carving timer, the strop in one tap, when it has stopped helping. */
@Component({
  selector: 'ma-strop',
  imports: [Button, ButtonDirective, ChoiceField, QuantityField, RouterLink],
  templateUrl: './strop.page.html',
  styleUrl: './strop.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StropPage {
  /** From the address: the tool to begin with. */
  readonly tool = input<string>();
  private readonly timer = inject(StropTimer);
  private readonly stropping = inject(Stropping);
  private readonly sessions = inject(SessionsStore);
  private readonly notices = inject(Notices);
  private readonly records = inject(RecordsStore);
  protected readonly figures = inject(Figures);
  private readonly heavy = inject(HeavyWork);
  private readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly rack = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly known = toSignal(this.records.records$, { initialValue: {} as Records });
  private readonly carving = toSignal(this.timer.carving$);
  private readonly minutes = toSignal(this.timer.minutes$);
  private readonly stropped = computed(() =>
    this.rack().filter(({ family }) => familyFacts(family).stropped),
  );
  protected readonly tools = computed(() =>
    this.stropped().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly toolId = linkedSignal(
    () => this.carving()?.toolId ?? this.tool() ?? this.stropped()[0]?.id ?? '',
  );
  protected readonly held = computed(() => this.stropped().find(({ id }) => id === this.toolId()));
  private readonly record = computed(() => this.known()[this.toolId()]);
  private readonly rhythm = computed(
    () => this.record()?.strop ?? { everyMin: STROP_EVERY_MIN, from: 0, spent: false },
  );
  private readonly ownEvery = signal<Readonly<Record<string, number | undefined>>>({});
  protected readonly everyMin = computed((): number | undefined => {
    const own = this.ownEvery();
    if (this.toolId() in own) return own[this.toolId()];
    return this.running() ? this.carving()?.everyMin : this.rhythm().everyMin;
  });
  protected readonly everyWrong = computed(() => (this.sound() ? '' : 'Give 1 to 240 minutes.'));
  private readonly sound = computed(() => {
    const every = this.everyMin() ?? NaN;
    return every >= 1 && every <= 240;
  });
  protected readonly running = computed(
    () => this.carving()?.toolId === this.toolId() && this.carving() !== undefined,
  );
  protected readonly rhythmWords = computed(() => {
    const { everyMin, from } = this.rhythm();
    return from === 0
      ? `About every ${STROP_EVERY_MIN} minutes of cutting is common practice; from four strops on, this goes by the tool’s own record.`
      : `By its own record it cuts about ${this.figures.minutes(everyMin)} between strops, learned from ${from} of them.`;
  });
  private readonly leftMin = computed(() => (this.everyMin() ?? STROP_EVERY_MIN) - (this.minutes() ?? 0));
  protected readonly over = computed(() => this.running() && this.leftMin() <= 0);
  protected readonly face = computed(() => {
    if (!this.running()) return clock(this.sound() ? (this.everyMin() ?? 0) : 0);
    return this.over() ? `+${clock(-this.leftMin())}` : clock(this.leftMin());
  });
  protected readonly timerWords = computed(() => {
    if (!this.running()) return 'minutes of carving to the next strop';
    return this.over() ? 'over: time to strop' : 'until the next strop';
  });
  protected readonly how = computed(() => {
    const form = this.held()?.edge.form;
    return keptOnStrop(form);
  });
  protected readonly spent = computed(() => {
    const state = this.record()?.state;
    if (!state) return '';
    if (this.rhythm().spent)
      return 'The last strop brought back less than half of what strops did: it has stopped helping. Hone it.';
    return stropsDone(state) ?? '';
  });
  /** A wheel of leather or felt on the bench. */
  private readonly powered = computed(() => this.stones().find(({ kind }) => kind === 'powered-strop'));
  /** How long this edge may lie against it, by the heat model of wheels, worked out in a worker. */
  protected readonly touch = toSignal(
    toObservable(computed(() => (this.powered() ? this.held() : undefined))).pipe(
      switchMap((tool) =>
        tool
          ? this.heavy.run('wedgeHeat', stropHeat(tool.edge, tool.steel)).pipe(
              map((news) => ('value' in news ? this.touchWords(news.value) : '')),
              catchError(() => of('')),
            )
          : of(''),
      ),
    ),
    { initialValue: '' },
  );

  private touchWords({ passS }: WedgeHeat): string {
    const name = this.powered()?.name ?? '';
    const { pushN, rimMs } = POWERED_STROP;
    const by = `An estimate, for ${this.figures.number(pushN, 0)} N at ${this.figures.number(rimMs, 0)} m/s`;
    return passS === undefined
      ? `${name}: this edge stands a minute of it. ${by}; feel it all the same.`
      : `${name}: no longer than ${this.figures.number(passS, 1)} s a touch, then let it cool. ${by}: the thinner an edge, the sooner it burns.`;
  }

  protected setEvery(minutes: number | undefined): void {
    this.ownEvery.update((own) => ({ ...own, [this.toolId()]: minutes }));
    if (this.running() && this.sound()) this.timer.every(minutes ?? STROP_EVERY_MIN);
  }

  protected begin(): void {
    if (this.sound()) this.timer.begin(this.toolId(), this.everyMin() ?? STROP_EVERY_MIN);
  }

  /** The carving since the last strop goes into the record, then the strop. */
  protected strop(): void {
    const tool = this.held();
    if (!tool) return;
    const going = this.running();
    this.putDown(true);
    this.stropping.stropped(tool).subscribe({
      next: () => {
        this.notices.done(`${tool.name} is stropped; it is in the record.`);
        if (going) this.begin();
      },
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected stop(): void {
    this.putDown(true);
    this.timer.end();
  }

  private putDown(stillCutting: boolean): void {
    const minutes = this.running() ? Math.round(this.minutes() ?? 0) : 0;
    if (minutes < 1) return;
    const use: Session = {
      toolId: this.toolId(),
      kind: 'use',
      // Just before the strop it ends with.
      startedAt: new Date(Date.now() - 1000).toISOString(),
      use: { minutes, stillCutting },
    };
    this.sessions.create(use).subscribe({ error: (reason: unknown) => this.notices.refused(reason) });
  }
}

function clock(minutes: number): string {
  const seconds = Math.max(0, Math.round(minutes * 60));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
