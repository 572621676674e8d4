import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { GENERIC_SIDE_CLAMPING_GUIDE } from '@mellow-anvil/core/guide';
import { AbrasivesStore } from '../data/abrasives.store';
import { usualStone } from '../parts/stone-draft';
import { StoneFields } from '../parts/stone-fields';
import { GuidesStore } from '../data/guides.store';
import { OpenFile } from '../parts/open-file';
import { sentencesFor, type Sentences } from '../ui/checks';
import { Notices } from '../platform/notices';
import { FirstRunState, STONES_WANTED } from '../data/first-run.state';

/** An empty workshop, led by the hand: a tool, a guide, two stones, and there is a plan. */
@Component({
  selector: 'ma-first-run',
  imports: [Button, ButtonDirective, OpenFile, RouterLink, StoneFields],
  templateUrl: './first-run.html',
  styles: `
    .lead {
      max-width: 62rem;
      margin: 0 auto;
      padding: 1.2rem 1.5rem;
      display: grid;
      gap: 1rem;
    }
    h1 {
      font-size: 2rem;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
    }
    li {
      display: grid;
      grid-template-columns: 3.4rem 1fr;
      gap: 1rem;
      padding: 0.8rem 0;
      border-top: 1px solid var(--line);
    }
    .count {
      width: 3.2rem;
      height: 3.2rem;
      display: grid;
      place-items: center;
      font-size: 1.6rem;
      font-weight: 700;
      border: 3px solid var(--line);
      border-radius: var(--radius);
      color: var(--muted);
    }
    li.now .count {
      border-color: var(--accent);
      color: var(--accent);
    }
    li.done .count {
      border-color: var(--leather);
      background: var(--leather);
      color: var(--page);
    }
    li > div {
      display: grid;
      gap: 0.4rem;
      justify-items: start;
    }
    form {
      display: grid;
      gap: 0.8rem;
      width: 100%;
      justify-items: start;
    }
    ma-stone-fields {
      width: 100%;
    }
    footer {
      display: flex;
      gap: 1rem;
      align-items: center;
      border-top: 1px solid var(--line);
      padding-top: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstRun {
  private readonly guides = inject(GuidesStore);
  private readonly abrasives = inject(AbrasivesStore);
  private readonly notices = inject(Notices);
  protected readonly steps = toSignal(inject(FirstRunState).steps$);
  protected readonly wanted = STONES_WANTED;
  protected readonly stone = signal<Abrasive>(usualStone());
  protected readonly sentences = signal<Sentences>({});

  protected readonly now = computed(() => {
    const steps = this.steps();
    return !steps?.tool ? 1 : !steps.guide ? 2 : 3;
  });
  protected readonly stones = computed(() =>
    this.steps()
      ?.stones.map(({ name }) => name)
      .join(', '),
  );

  protected usualGuide(): void {
    this.guides.create(GENERIC_SIDE_CLAMPING_GUIDE).subscribe({
      next: ({ name }) => this.notices.done(`${name} is on the bench.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected async addStone(): Promise<void> {
    const stone = this.stone();
    this.sentences.set(await sentencesFor('abrasiveSchema', stone));
    if (Object.keys(this.sentences()).length > 0) return;
    this.abrasives.create(stone).subscribe({
      next: ({ name }) => {
        this.notices.done(`${name} is on the rail.`);
        this.stone.set({ ...usualStone(stone.kind), grade: { standard: stone.grade.standard, grade: '' } });
      },
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
