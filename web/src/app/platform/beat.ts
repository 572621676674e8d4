import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { Button } from 'primeng/button';

const CLICK_HZ = 1200;
const CLICK_S = 0.02;

/** The plan's pace as a beat to work by: a bar that jumps, and a click for those who want one. */
@Component({
  selector: 'ma-beat',
  imports: [Button],
  template: `
    <p-button
      [label]="going() ? 'Stop the beat' : 'Beat ' + perMin() + ' a minute'"
      severity="secondary"
      [outlined]="true"
      styleClass="beat-target"
      (onClick)="going.set(!going())"
    />
    @if (going()) {
      <span class="bar" [class.tock]="tock()" aria-hidden="true"></span>
      <p-button
        [label]="sound() ? 'Click off' : 'Click on'"
        severity="secondary"
        [text]="true"
        styleClass="beat-target"
        (onClick)="sound.set(!sound())"
      />
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.6rem;
      flex-wrap: wrap;
    }
    :host ::ng-deep .beat-target {
      min-height: 64px;
    }
    .bar {
      width: 3.4rem;
      height: 1.4rem;
      border: 2px solid var(--ink);
      border-left-width: 1.7rem;
    }
    .bar.tock {
      border-left-width: 2px;
      border-right-width: 1.7rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Beat {
  readonly perMin = input.required<number>();
  protected readonly going = signal(false);
  protected readonly sound = signal(false);
  protected readonly tock = signal(false);
  private readonly everyMs = computed(() => 60_000 / Math.max(1, this.perMin()));
  private audio: AudioContext | undefined;

  constructor() {
    effect((cleanUp) => {
      if (!this.going()) return;
      const timer = setInterval(() => {
        this.tock.update((tock) => !tock);
        if (this.sound()) this.click();
      }, this.everyMs());
      cleanUp(() => clearInterval(timer));
    });
    inject(DestroyRef).onDestroy(() => void this.audio?.close());
  }

  private click(): void {
    // Made on the first click: a browser lets a page sound only after a tap.
    this.audio ??= new AudioContext();
    const [tone, loud] = [this.audio.createOscillator(), this.audio.createGain()];
    tone.frequency.value = CLICK_HZ;
    loud.gain.value = 0.2;
    tone.connect(loud).connect(this.audio.destination);
    tone.start();
    tone.stop(this.audio.currentTime + CLICK_S);
  }
}
