import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { type Tool, usualEdge } from '@mellow-anvil/core/blade';
import type { Sentences } from '../../ui/checks';
import { Draft, placed } from '../../ui/draft';
import type { BladeDraft } from '../../drawings/blade';
import { EdgeDesk } from './edge-desk';
import { ToolsStore } from '../../data/tools.store';

/** A new tool, drawn while its figures are typed. */
@Component({
  selector: 'ma-new-tool',
  imports: [Button, ButtonDirective, EdgeDesk, RouterLink],
  template: `
    <form ngNoForm class="page" (submit)="$event.preventDefault(); keep()">
      <header>
        <h1>A tool for the rack</h1>
        <p class="muted">
          Measure what you can; every figure can be changed later.
          <a routerLink="/before-money">An old edge, before money?</a>
        </p>
      </header>
      <ma-edge-desk
        [draft]="editor.draft()"
        (draftChange)="editor.draft.set($event)"
        [fresh]="true"
        [sentences]="shown()"
        (settled)="editor.check()"
      />
      @if (editor.refusal()) {
        <p class="sentence-error" role="alert">{{ editor.refusal() }}</p>
      }
      <div class="actions">
        <p-button type="submit" label="Put it on the rack" [loading]="editor.sending()" />
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
  private readonly router = inject(Router);
  protected readonly editor = new Draft<Tool, BladeDraft>({
    keeper: inject(ToolsStore),
    schema: 'toolSchema',
    begin: { name: '', family: 'bench-chisel', steel: 'high-carbon', edge: usualEdge('bench-chisel') },
    ...placed('rack'),
  });
  private readonly tried = signal(false);
  /** An empty name is only told once the tool was meant to be kept. */
  protected readonly shown = computed((): Sentences => {
    const { name, ...others } = this.editor.sentences();
    return this.tried() && name ? { ...others, name } : others;
  });

  protected async keep(): Promise<void> {
    this.tried.set(true);
    const kept = await this.editor.keep();
    if (kept) void this.router.navigate(['/tools', kept.id, 'edge']);
  }
}
