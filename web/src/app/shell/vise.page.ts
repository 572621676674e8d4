import { isCurved } from '@mellow-anvil/core/camber';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { combineLatest, map } from 'rxjs';
import { NgTemplateOutlet } from '@angular/common';
import { Button, ButtonDirective } from 'primeng/button';
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
import { inOrderOfNeed } from '../data/rack-order';
import { RecordsStore } from '../data/records.store';
import { Rail } from '../parts/rail';
import { ToolsStore } from '../data/tools.store';
import { screenIs } from '../ui/screen';
import { CamberSide } from '../tool/camber/camber-side';
import { Desk } from '../data/desk';
import { SIDES } from './rooms';

/** Rack and vise: the tools at the left, the one in hand in the middle. */
@Component({
  selector: 'ma-bench',
  imports: [
    Button,
    ButtonDirective,
    CamberSide,
    EdgeSide,
    FirstRun,
    LifeSide,
    NewToolPage,
    PlanSide,
    NgTemplateOutlet,
    Rack,
    Rail,
    RouterLink,
    SetupSide,
    ToolState,
  ],
  templateUrl: './vise.page.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: 376px minmax(0, 1fr);
      grid-template-rows: minmax(0, 1fr) auto;
      min-height: 0;
      height: 100%;
    }
    ma-rack {
      grid-row: 1 / -1;
    }
    ma-rail {
      grid-column: -2;
      min-width: 0;
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
      gap: 0 1rem;
      padding: 0 1.1rem;
      border-bottom: 1px solid var(--line);
    }
    h1 {
      font-size: 1.35rem;
      line-height: 1.1;
    }
    header nav {
      display: flex;
      margin-left: auto;
    }
    header a {
      display: flex;
      align-items: center;
      padding: 4px 0.8rem 0;
      color: var(--ink);
      text-decoration: none;
      font-weight: 700;
      white-space: nowrap;
      border-bottom: 4px solid transparent;
      min-height: 48px;
    }
    header a.here {
      border-bottom-color: var(--accent);
      color: var(--accent);
    }
    .side {
      padding: 0.7rem 1.1rem 1.1rem;
    }
    .empty {
      padding: 3rem 2rem;
    }
    .drawer {
      display: none;
    }
    @media (max-width: 64rem) {
      :host {
        grid-template-columns: minmax(0, 1fr);
      }
      .drawer {
        display: block;
      }
      .vise > .drawer {
        padding: 0.6rem 1.1rem 0;
      }
      ma-rail {
        grid-column: 1;
      }
      ma-rack {
        display: none;
      }
      ma-rack.open {
        display: grid;
        position: fixed;
        z-index: 30;
        inset: 0 auto 0 0;
        width: min(23.5rem, 94vw);
        box-shadow: 0 0 0 100vmax rgb(0 0 0 / 45%);
      }
    }
    @media (max-width: 56rem) {
      header {
        flex-wrap: wrap;
        padding-top: 0.4rem;
      }
      header nav {
        flex: 1 0 100%;
        margin: 0 -0.8rem;
      }
    }
    @media (max-width: 40rem) {
      header {
        padding: 0.3rem 0.8rem 0;
      }
      header nav a {
        flex: 1;
        justify-content: center;
        padding: 4px 0.2rem 0;
      }
      .side {
        padding: 0.6rem 0.8rem 1rem;
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
  private readonly first = toSignal(
    combineLatest([this.tools.ready$, inject(RecordsStore).known$]).pipe(
      map(([tools, records]) => inOrderOfNeed(tools, records)[0]),
    ),
  );
  protected readonly rackEmpty = toSignal(this.tools.ready$.pipe(map((tools) => tools.length === 0)), {
    initialValue: false,
  });
  protected readonly unfinished = toSignal(inject(FirstRunState).unfinished$, { initialValue: false });
  protected readonly tool = toSignal(this.desk.tool$);
  /** Only irons are curved on purpose. */
  protected readonly sides = computed(() => {
    const curved = isCurved(this.tool()?.family);
    return SIDES.filter(({ path }) => curved || path !== 'camber');
  });
  /** On a phone the stones stand in the plan itself. */
  protected readonly narrow = screenIs('(max-width: 40rem)');
  protected readonly open = signal(false);
  protected readonly known = computed(
    () => this.sides().find(({ path }) => path === this.side())?.path ?? 'edge',
  );

  constructor() {
    effect(() => {
      this.desk.takeUp(this.id());
    });
    // The bench opens on a tool, not on a blank: the one in most need once there is one.
    effect(() => {
      const first = this.first();
      if (!this.id() && first) {
        void this.router.navigate(['/tools', first.id, 'edge'], { replaceUrl: true });
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
