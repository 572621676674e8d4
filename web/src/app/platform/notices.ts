import { Injectable, inject } from '@angular/core';
import { MessageService } from 'primeng/api';
import { told } from './problem';

/** Short words in the corner of the page: what was done, or why not. */
@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly messages = inject(MessageService);

  done(detail: string): void {
    this.messages.add({ severity: 'success', detail, life: 4000 });
  }

  refused(reason: unknown): void {
    const { title, detail } = told(reason);
    this.messages.add({ severity: 'error', summary: title, detail, life: 12000 });
  }
}
