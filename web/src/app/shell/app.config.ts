import { provideHttpClient, withFetch } from '@angular/common/http';
import {
  inject,
  provideAppInitializer,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { buttonsDoNotTakeFocus } from '../ui/no-autofocus';
import { Undo } from '../platform/undo.store';
import { workshopPreset } from '../ui/theme/preset';

/** The nonce the server put on the root element, for the styles the component library adds. */
const styleNonce = (): string | undefined =>
  document.querySelector('[ngCspNonce]')?.getAttribute('ngCspNonce') ?? undefined;

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding(), withInMemoryScrolling({ anchorScrolling: 'enabled' })),
    provideHttpClient(withFetch()),
    providePrimeNG({
      theme: { preset: workshopPreset, options: { darkModeSelector: '.dark', cssLayer: false } },
      csp: { nonce: styleNonce() },
    }),
    provideAppInitializer(() => {
      buttonsDoNotTakeFocus();
      inject(Undo).load();
    }),
    MessageService,
  ],
};
