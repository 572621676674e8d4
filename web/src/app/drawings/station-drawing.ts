import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SCENE, type SceneOf } from './scene-marks';
import { sceneOf } from './station-scene';

/** What is done at a station, drawn: a beginner knows what to do with the words covered. */
@Component({
  selector: 'ma-station-drawing',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height"
      role="img"
      [attr.aria-label]="'Drawn: ' + scene().words"
    >
      @for (mark of scene().marks; track $index) {
        @switch (mark.tag) {
          @case ('path') {
            <path
              [attr.class]="mark.cls"
              [attr.d]="mark.d"
              [attr.transform]="mark.dx ? 'translate(' + mark.dx + ')' : null"
            />
          }
          @case ('ellipse') {
            <ellipse
              [attr.class]="mark.cls"
              [attr.cx]="mark.at.x"
              [attr.cy]="mark.at.y"
              [attr.rx]="mark.rx"
              [attr.ry]="mark.ry"
            />
          }
          @case ('text') {
            <text [attr.class]="mark.cls" [attr.x]="mark.at.x" [attr.y]="mark.at.y">{{ mark.text }}</text>
          }
        }
      }
    </svg>
  `,
  styleUrl: './station-drawing.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StationDrawing {
  readonly of = input.required<SceneOf>();
  protected readonly view = SCENE;
  protected readonly scene = computed(() => sceneOf(this.of()));
}
