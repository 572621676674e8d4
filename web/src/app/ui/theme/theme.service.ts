import { DOCUMENT, Injectable, inject } from '@angular/core';
import { BehaviorSubject } from 'rxjs';

export type Theme = 'system' | 'light' | 'dark';
const KEY = 'mellow-anvil.theme';

/** Light, dark, or as the system says; a matter of this screen, so kept on this device. */
@Injectable({ providedIn: 'root' })
export class ThemeService {
  private readonly document = inject(DOCUMENT);
  private readonly system = this.document.defaultView?.matchMedia('(prefers-color-scheme: dark)');
  private readonly chosen = new BehaviorSubject<Theme>(this.remembered());
  private readonly dark = new BehaviorSubject(false);
  readonly theme$ = this.chosen.asObservable();
  /** How it looks now, by choice or as the system says. */
  readonly dark$ = this.dark.asObservable();

  constructor() {
    this.system?.addEventListener('change', () => this.apply());
    this.apply();
  }

  choose(theme: Theme): void {
    this.document.defaultView?.localStorage.setItem(KEY, theme);
    this.chosen.next(theme);
    this.apply();
  }

  private apply(): void {
    const theme = this.chosen.value;
    const dark = theme === 'dark' || (theme === 'system' && this.system?.matches === true);
    this.document.documentElement.classList.toggle('dark', dark);
    this.dark.next(dark);
  }

  private remembered(): Theme {
    const kept = this.document.defaultView?.localStorage.getItem(KEY);
    return kept === 'light' || kept === 'dark' ? kept : 'system';
  }
}
