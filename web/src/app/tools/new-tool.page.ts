import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { FirstRunState } from '../first-run/first-run.state';
import { sentencesFor, sentencesOf, type Sentences } from '../shared/checks';
import { Notices } from '../shared/notices';
import { told } from '../shared/problem';
import { usualBlade, type BladeDraft } from './blade';
import { EdgeDesk } from './edge-desk';
import { ToolsStore } from './tools.store';

/** A new chisel or plane iron, drawn while its figures are typed. */
@Component({
  selector: 'ma-new-tool',
  imports: [Button, ButtonDirective, EdgeDesk, RouterLink],
  template: `
    <form ngNoForm class="page" (submit)="$event.preventDefault(); keep()">
      <header>
        <h1>A tool for the rack</h1>
        <p class="muted">Measure what you can; every figure can be changed later.</p>
      </header>
      <ma-edge-desk [(draft)]="draft" [fresh]="true" [sentences]="shown()" (settled)="recheck()" />
      @if (refusal()) {
        <p class="sentence-error" role="alert">{{ refusal() }}</p>
      }
      <div class="actions">
        <p-button type="submit" label="Put it on the rack" [loading]="sending()" />
        <a pButton routerLink="/" severity="secondary" [text]="true">Not now</a>
      </div>
    </form>
  `,
  styles: `
    .page {
      display: grid;
      gap: 1rem;
      padding: 1rem 1.25rem 1.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewToolPage {
  private readonly tools = inject(ToolsStore);
  private readonly router = inject(Router);
  private readonly notices = inject(Notices);
  private readonly firstRun = toSignal(inject(FirstRunState).unfinished$, { initialValue: false });

  protected readonly draft = signal<BladeDraft>({
    name: '',
    family: 'bench-chisel',
    steel: 'high-carbon',
    edge: usualBlade('bench-chisel'),
  });
  private readonly sentences = signal<Sentences>({});
  private readonly tried = signal(false);
  protected readonly refusal = signal('');
  protected readonly sending = signal(false);
  /** An empty name is only told once the tool was meant to be kept. */
  protected readonly shown = computed((): Sentences => {
    const { name, ...others } = this.sentences();
    return this.tried() && name ? { ...others, name } : others;
  });

  protected async recheck(): Promise<boolean> {
    this.sentences.set(await sentencesFor('toolSchema', this.draft()));
    return Object.keys(this.sentences()).length === 0;
  }

  protected async keep(): Promise<void> {
    this.tried.set(true);
    this.refusal.set('');
    if (!(await this.recheck())) {
      this.refusal.set('Not on the rack yet: change what is marked above.');
      return;
    }
    this.sending.set(true);
    const leadOn = this.firstRun();
    this.tools.create(this.draft()).subscribe({
      next: ({ id, name }) => {
        this.notices.done(`${name} is on the rack.`);
        void this.router.navigate(leadOn ? ['/'] : ['/tools', id, 'edge']);
      },
      error: (reason: unknown) => {
        const { detail, fields } = told(reason);
        this.sentences.set(sentencesOf(fields));
        this.refusal.set(detail);
        this.sending.set(false);
      },
    });
  }
}
