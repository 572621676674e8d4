import { isCurved } from '@mellow-anvil/core/camber';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { FirstRun } from '../first-run/first-run';
import { FirstRunState } from '../data/first-run.state';
import { SetupSide } from '../tool/set-up/setup-side';
import { LifeSide } from '../tool/life/life-side';
import { PlanSide } from '../tool/plan/plan-side';
import { ToolState } from '../tool/tool-state';
import { Notices } from '../platform/notices';
import { EdgeSide } from '../tool/edge/edge-side';
import { NewToolPage } from '../tool/edge/new-tool.page';
import { Rack } from './rack';
import { ToolsStore } from '../data/tools.store';
import { CamberSide } from '../tool/camber/camber-side';
import { Desk } from '../data/desk';

const SIDES = [
  { path: 'edge', label: 'Edge' },
  { path: 'set-up', label: 'Set-up' },
  { path: 'camber', label: 'Camber' },
  { path: 'plan', label: 'Plan' },
  { path: 'life', label: 'Life' },
] as const;

/** Rack and vise: the tools at the left, the one in hand in the middle. */
@Component({
  selector: 'ma-bench',
  imports: [
    Button,
    CamberSide,
    EdgeSide,
    FirstRun,
    LifeSide,
    NewToolPage,
    PlanSide,
    Rack,
    RouterLink,
    SetupSide,
    ToolState,
  ],
  templateUrl: './vise.page.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: 330px minmax(0, 1fr);
      min-height: 0;
      height: 100%;
    }
    .skip {
      position: absolute;
      left: -100vw;
      z-index: 30;
      padding: 0.8rem 1rem;
      background: var(--accent);
      color: var(--accent-ink);
    }
    .skip:focus {
      left: 0;
    }
    .vise:focus {
      outline: none;
    }
    .vise {
      min-height: 0;
      overflow-y: auto;
      position: relative;
    }
    .vise.alone {
      grid-column: 1 / -1;
    }
    header {
      display: flex;
      align-items: center;
      gap: 1.2rem;
      padding: 0.8rem 1.25rem 0;
      border-bottom: 1px solid var(--line);
      flex-wrap: wrap;
    }
    header nav {
      display: flex;
      gap: 0.2rem;
      margin-left: auto;
    }
    header a {
      padding: 0.6rem 1.1rem;
      color: var(--ink);
      text-decoration: none;
      font-weight: 700;
      border-bottom: 4px solid transparent;
      min-height: var(--touch);
    }
    header a.here {
      border-bottom-color: var(--accent);
      color: var(--accent);
    }
    .side {
      padding: 0.9rem 1.25rem 1.25rem;
    }
    .empty {
      padding: 3rem 2rem;
    }
    .drawer {
      display: none;
    }
    @media (max-width: 64rem) {
      :host {
        grid-template-columns: 1fr;
      }
      .drawer {
        display: block;
        padding: 0.6rem 1.25rem 0;
      }
      ma-rack {
        display: none;
      }
      ma-rack.open {
        display: grid;
        position: fixed;
        z-index: 20;
        inset: 3.4rem auto 0 0;
        width: min(22rem, 88vw);
        box-shadow: 0 0 0 100vmax rgb(0 0 0 / 45%);
      }
    }
    @media (max-width: 40rem) {
      header {
        gap: 0 1rem;
      }
      header nav {
        margin-left: -0.6rem;
        flex-wrap: wrap;
      }
      header a {
        padding: 0.6rem 0.6rem;
      }
      .drawer {
        padding-top: 0.4rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VisePage {
  readonly id = input<string>();
  readonly side = input<string>();

  private readonly desk = inject(Desk);
  private readonly router = inject(Router);
  private readonly tools = inject(ToolsStore);
  private readonly notices = inject(Notices);
  private readonly ready = toSignal(this.tools.ready$);
  protected readonly unfinished = toSignal(inject(FirstRunState).unfinished$, { initialValue: false });
  protected readonly tool = toSignal(this.desk.tool$);
  /** Only irons are curved on purpose. */
  protected readonly sides = computed(() => {
    const curved = isCurved(this.tool()?.family);
    return SIDES.filter(({ path }) => curved || path !== 'camber');
  });
  protected readonly open = signal(false);
  protected readonly known = computed(
    () => this.sides().find(({ path }) => path === this.side())?.path ?? 'edge',
  );

  constructor() {
    effect(() => {
      this.desk.takeUp(this.id());
    });
    // The bench opens on a tool, not on a blank: the first of the rack once there is one. Someone
    // who was led here from an empty bench was promised a plan, and gets it.
    let led = false;
    effect(() => {
      const [first] = this.ready() ?? [];
      if (this.unfinished()) led = true;
      else if (!this.id() && first) {
        void this.router.navigate(['/tools', first.id, led ? 'plan' : 'edge'], { replaceUrl: true });
      }
    });
  }

  /** Past two targets for every tool, for those who go by the keyboard. */
  protected toVise(event: Event): void {
    event.preventDefault();
    document.getElementById('vise')?.focus();
  }

  protected remove(): void {
    const tool = this.tool();
    if (!tool) return;
    this.tools.remove(tool).subscribe({
      next: () => {
        this.notices.done(
          `${tool.name} is off the rack, with its plans and record. Undo brings all of it back.`,
        );
        void this.router.navigate(['/']);
      },
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
