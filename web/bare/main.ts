import { Component, provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { provideRouter, RouterOutlet } from '@angular/router';
import { MessageService } from 'primeng/api';
import { Button } from 'primeng/button';
import { providePrimeNG } from 'primeng/config';
import { Toast } from 'primeng/toast';
import { workshopPreset } from '../src/app/ui/theme/preset';

// The yardstick the page's first paint is measured beside: the same framework and controls, and nothing in them.
@Component({
  selector: 'ma-bare',
  imports: [Button, RouterOutlet, Toast],
  template: '<p-button label="Bare" /><router-outlet /><p-toast />',
})
class Bare {}

const nonce = document.querySelector('[ngCspNonce]')?.getAttribute('ngCspNonce') ?? undefined;
void bootstrapApplication(Bare, {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter([]),
    providePrimeNG({ theme: { preset: workshopPreset }, csp: { nonce } }),
    MessageService,
  ],
});
