import { NgTemplateOutlet } from '@angular/common';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  Injector,
  input,
  linkedSignal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import {
  beforehand,
  causeFacts,
  type CauseName,
  likelierBy,
  type Look,
  LOOK_NAMES,
  LOOKS,
  nextLooks,
  rankCauses,
  type Seen,
  type Symptom,
  SYMPTOM_NAMES,
  SYMPTOMS,
} from '@mellow-anvil/core/advice';
import type { Condition } from '@mellow-anvil/core/blade';
import { Desk } from '../data/desk';
import { ChoiceField } from '../ui/choice-field';
import { screenIs } from '../ui/screen';
import { RecordsStore } from '../data/records.store';
import { StonesStore } from '../data/stones.store';
import { ToolsStore } from '../data/tools.store';

const SHOWN_CAUSES = 5;
const SHOWN_LOOKS = 3;
/** Reaches nobody measured yet, to begin a plan with, mm: to be corrected there. */
const BEGIN_MM = 0.1;

/** What went wrong: from what was seen to the likeliest causes, the look that tells most next, and the cure as a plan. */
@Component({
  selector: 'ma-puzzle',
  imports: [Button, ButtonDirective, ChoiceField, NgTemplateOutlet, RouterLink],
  templateUrl: './puzzle.page.html',
  styleUrl: './puzzle.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PuzzlePage {
  /** From the address: the tool, what was seen, and the run to go back to. */
  readonly tool = input<string>();
  readonly seen = input<string>();
  /** Looks a run answered with yes. */
  readonly looked = input<string>();
  readonly run = input<string>();
  private readonly desk = inject(Desk);
  private readonly router = inject(Router);
  private readonly rack = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly records = toSignal(inject(RecordsStore).known$);
  private readonly stones = toSignal(inject(StonesStore).record$, { initialValue: {} });
  protected readonly words = SYMPTOMS;
  protected readonly lookWords = LOOKS;
  protected readonly symptoms = SYMPTOM_NAMES;
  protected readonly back = computed(() => this.run());
  protected readonly tools = computed(() => [
    { value: '', label: 'None in particular' },
    ...this.rack().map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly toolId = linkedSignal(() => this.tool() ?? '');
  protected readonly signs = linkedSignal((): Seen => ({
    symptoms: (this.seen() ?? '')
      .split(',')
      .filter((each): each is Symptom => SYMPTOM_NAMES.includes(each as Symptom)),
    looks: Object.fromEntries(
      (this.looked() ?? '')
        .split(',')
        .filter((each) => LOOK_NAMES.includes(each as Look))
        .map((look) => [look, true]),
    ),
  }));
  /** What is known of the tool before anything is seen. */
  private readonly asked = computed(() => {
    const tool = this.rack().find(({ id }) => id === this.toolId());
    return tool && { tool, record: this.records()?.[tool.id], stones: this.stones() };
  });
  private readonly weighed = computed((): Seen => {
    const asked = this.asked();
    return { ...this.signs(), ...(asked && { likelier: likelierBy(asked) }) };
  });
  private readonly told = computed(() => {
    const asked = this.asked();
    return asked ? beforehand(asked) : [];
  });
  protected readonly begun = computed(
    () => this.signs().symptoms.length + Object.keys(this.signs().looks).length > 0,
  );
  private readonly oneColumn = screenIs('(max-width: 60rem)');
  /** In one column the answer stands above the signs, and those that were named with it. */
  protected readonly answersFirst = computed(() => this.oneColumn() && this.begun());
  protected readonly named = computed(() => (this.answersFirst() ? this.signs().symptoms : []));
  private readonly answers = viewChild<ElementRef<HTMLElement>>('answers');
  private readonly signsAt = viewChild<ElementRef<HTMLElement>>('seenAt');
  private readonly injector = inject(Injector);
  protected readonly causes = computed(() =>
    rankCauses(this.weighed())
      .slice(0, SHOWN_CAUSES)
      .filter(({ share }) => share >= 0.01)
      .map(({ cause, share }) => {
        const facts = causeFacts(cause);
        const own = this.told().filter((each) => each.cause === cause);
        return {
          ...{ name: cause, facts, percent: Math.round(share * 100), open: this.opens(cause) },
          byRecord: own
            .map(({ why, times }) => `${why}, so ${times > 1 ? 'likelier' : 'less likely'}`)
            .join('; '),
        };
      }),
  );
  protected readonly looks = computed(() => nextLooks(this.weighed()).slice(0, SHOWN_LOOKS));
  protected readonly answered = computed(() =>
    Object.entries(this.signs().looks).map(([look, yes]) => ({ look: look as Look, yes })),
  );

  protected toggle(symptom: Symptom): void {
    this.signs.update(({ symptoms, looks }) => ({
      looks,
      symptoms: symptoms.includes(symptom)
        ? symptoms.filter((each) => each !== symptom)
        : [...symptoms, symptom],
    }));
    // Tapped far below, it is answered above.
    if (this.answersFirst())
      afterNextRender(() => this.answers()?.nativeElement.focus(), { injector: this.injector });
  }

  protected nameAnother(): void {
    this.signsAt()?.nativeElement.focus();
  }

  protected answer(look: Look, yes: boolean): void {
    this.signs.update((seen) => ({ ...seen, looks: { ...seen.looks, [look]: yes } }));
  }

  protected forget(look: Look): void {
    this.signs.update(({ symptoms, looks: { [look]: _, ...looks } }) => ({ symptoms, looks }));
  }

  /** Opens the cure: a plan asked for that condition, a side of the vise, or the stones. */
  protected cure(name: CauseName): void {
    const { cure } = causeFacts(name);
    const id = this.toolId();
    if (!id) {
      void this.router.navigate(['/stones']);
      return;
    }
    if (cure.condition && (cure.side === 'plan' || cure.stones)) {
      const faults = cure.faults?.map((kind) => (kind === 'wide-land' ? { kind } : { kind, mm: BEGIN_MM }));
      const condition: Condition = {
        kind: cure.condition,
        ...(cure.condition === 'nicked' && { nickMm: BEGIN_MM }),
        ...(faults && { faults }),
      };
      this.desk.takeUp(id);
      this.desk.ask({ condition });
    }
    if (cure.stones && !cure.condition) void this.router.navigate(['/stones']);
    else void this.router.navigate(['/tools', id, cure.side ?? 'plan']);
  }

  private opens(name: CauseName): string {
    const { cure } = causeFacts(name);
    if (!this.toolId()) return cure.stones ? 'To the stones' : '';
    if (cure.condition && (cure.side === 'plan' || cure.stones)) return 'Plan the cure';
    if (cure.stones) return 'To the stones';
    const sides = {
      edge: 'To its edge',
      'set-up': 'To its set-up',
      camber: 'To its camber',
      plan: 'Plan the cure',
    };
    return sides[cure.side ?? 'plan'];
  }
}
