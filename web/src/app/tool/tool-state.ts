import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Popover } from 'primeng/popover';
import type { Stored } from '@mellow-anvil/contract';
import { RACK_STATES, type RackState, type Tool } from '@mellow-anvil/core/blade';
import { RACK_RULES, readiness, tellsLife } from '@mellow-anvil/core/record';
import { contentOf } from '../data/collection.store';
import { Figures } from '../ui/figures';
import { Notices } from '../platform/notices';
import { ToolsStore } from '../data/tools.store';
import { RecordsStore, type Records } from '../data/records.store';
import { StateMark } from '../drawings/state-mark';
import { SurvivalDrawing } from '../drawings/survival-drawing';
import { STATE_WORDS } from '../words/state-words';

/** What the tool in hand asks for, by which rule, and the user's own word over it. */
@Component({
  selector: 'ma-tool-state',
  imports: [Button, FormsModule, Popover, StateMark, SurvivalDrawing],
  templateUrl: './tool-state.html',
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.2rem 0.5rem;
    }
    .panel {
      display: grid;
      gap: 0.6rem;
      max-width: 34rem;
      max-height: 70vh;
      overflow-y: auto;
    }
    ol {
      margin: 0;
      padding-left: 1.6rem;
      display: grid;
      gap: 0.25rem;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
    }
    .holds {
      background: var(--accent-wash);
    }
    small {
      color: var(--muted);
    }
    .off {
      border-top: 1px solid var(--line);
      padding-top: 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ToolState {
  readonly tool = input.required<Stored<Tool>>();
  /** It is to come off the rack. */
  readonly removed = output();
  private readonly tools = inject(ToolsStore);
  private readonly notices = inject(Notices);
  private readonly figures = inject(Figures);
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  protected readonly words = STATE_WORDS;
  protected readonly states = RACK_STATES;
  protected readonly rules = RACK_RULES;

  protected readonly tells = tellsLife;
  protected readonly record = computed(() => this.records()[this.tool().id]);

  protected readonly ready = computed(() => {
    const record = this.record();
    return record && readiness(this.tool(), record, this.figures.hand());
  });

  protected readonly rule = computed(() => RACK_RULES.find(({ name }) => name === this.ready()?.rule));

  protected overrule(state: RackState | undefined): void {
    const { overruling: _, ...tool } = contentOf<Tool>(this.tool());
    const changed: Tool = state ? { ...tool, overruling: { state, at: new Date().toISOString() } } : tool;
    this.tools.change(this.tool().id, this.tool().version, changed).subscribe({
      next: () =>
        this.notices.done(
          state ? `${tool.name}: ${STATE_WORDS[state].toLowerCase()}, by your word.` : 'As the record says.',
        ),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
