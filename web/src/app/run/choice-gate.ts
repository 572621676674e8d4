import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Button } from 'primeng/button';

/** One answer of a gate. */
interface GateAnswer {
  readonly value: string;
  readonly label: string;
  readonly hint: string;
}

/** A gate answered by one of a few large targets. */
@Component({
  selector: 'ma-choice-gate',
  imports: [Button],
  template: `
    @for (answer of answers(); track answer.value) {
      <p-button
        styleClass="wide"
        [severity]="$first ? undefined : 'secondary'"
        [outlined]="!$first"
        (onClick)="chosen.emit(answer.value)"
      >
        <span class="text">
          <b>{{ answer.label }}</b>
          <small>{{ answer.hint }}</small>
        </span>
      </p-button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
      grid-auto-rows: minmax(96px, 1fr);
    }
    :host ::ng-deep .wide {
      width: 100%;
      height: 100%;
      min-height: 96px;
    }
    .text {
      display: grid;
    }
    b {
      font-size: 1.7rem;
    }
    small {
      font-size: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceGate {
  readonly answers = input.required<readonly GateAnswer[]>();
  readonly chosen = output<string>();
}

export const SCRATCH_ANSWERS: readonly GateAnswer[] = [
  { value: 'gone', label: 'They are gone', hint: 'only this stone’s own fine marks are left' },
  { value: 'left', label: 'They still show', hint: 'more strokes here before anything finer' },
];
export const HEAT_ANSWERS: readonly GateAnswer[] = [
  { value: 'cool', label: 'It stayed cool', hint: 'never too hot to hold, no colour' },
  { value: 'hot', label: 'Too hot to hold', hint: 'dip, and a lighter pass' },
  { value: 'coloured', label: 'It has coloured', hint: 'straw, brown or blue: ground past it' },
];
export const LIGHT_ANSWERS: readonly GateAnswer[] = [
  { value: 'none', label: 'No light', hint: 'it touches from end to end' },
  { value: 'middle', label: 'In the middle', hint: 'hollow: some strokes pressed at both ends' },
  { value: 'ends', label: 'At the ends', hint: 'a belly: some strokes pressed in the middle' },
];
export const POLISH_ANSWERS: readonly GateAnswer[] = [
  { value: 'all', label: 'Corner to corner', hint: 'bright out to the edge, all along' },
  { value: 'corner', label: 'But for a corner', hint: 'a few old marks some millimetres in: they may wait' },
  { value: 'not-yet', label: 'Not yet', hint: 'more strokes here' },
];

const EVEN: GateAnswer = { value: 'even', label: 'It is even', hint: 'no part stands ahead of the rest' };
/** A gouge and a V-tool, seen from their end. */
export const GOUGE_ANSWERS: readonly GateAnswer[] = [
  EVEN,
  {
    value: 'corners-ahead',
    label: 'Corners ahead',
    hint: 'the middle was honed too far: some strokes at the corners',
  },
  {
    value: 'middle-ahead',
    label: 'Middle ahead',
    hint: 'the corners were honed too far: some strokes in the middle',
  },
];
export const APEX_ANSWERS: readonly GateAnswer[] = [
  EVEN,
  { value: 'tooth', label: 'A tooth at the apex', hint: 'the keel was left: some strokes on the keel' },
  { value: 'notch', label: 'A notch at the apex', hint: 'the keel went too far: some strokes on both wings' },
  { value: 'hook-left', label: 'A hook to the left', hint: 'the right wing took too much: some on the left' },
  {
    value: 'hook-right',
    label: 'A hook to the right',
    hint: 'the left wing took too much: some on the right',
  },
];
