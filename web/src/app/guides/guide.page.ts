import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import {
  GENERIC_SIDE_CLAMPING_GUIDE,
  GUIDE_FORMS,
  type FacetSetting,
  type Guide,
  type GuideSeat,
  type SingleBevelEdge,
  Refusal,
  guideProjection,
  seatGeometry,
} from '@mellow-anvil/core';
import { FirstRunState } from '../first-run/first-run.state';
import { ChoiceField } from '../shared/choice-field';
import { Editor } from '../shared/editor';
import { LineField } from '../shared/line-field';
import { QuantityField } from '../shared/quantity-field';
import { GuideDrawing } from './guide-drawing';
import { GuidesStore } from './guides.store';

const FORM_WORDS = {
  'side-clamping-roller': 'Side-clamping roller guide',
  'top-clamping-roller': 'Top-clamping roller guide',
  'wide-roller': 'Wide-roller guide',
} as const;

/** A blade to draw the guide with while it is measured. */
const SAMPLE: SingleBevelEdge = {
  form: 'single-bevel',
  widthMm: 25,
  thicknessMm: 3.5,
  primaryDeg: 25,
  secondaryDeg: 30,
  landMm: 0.8,
  grind: 'flat',
  back: 'flat',
  front: { shape: 'straight' },
};

/** One honing guide: its measurements, drawn as they are typed. */
@Component({
  selector: 'ma-guide',
  imports: [Button, ButtonDirective, ChoiceField, GuideDrawing, LineField, QuantityField, RouterLink],
  template: `
    <form ngNoForm class="room" (submit)="$event.preventDefault(); keep()">
      <header>
        <h1>{{ stored() ? stored()!.name : 'A honing guide' }}</h1>
        @if (!stored()) {
          <p class="muted">
            The figures of an ordinary side-clamping guide stand here to begin with; measure yours where you
            can.
          </p>
        }
      </header>
      <div class="both">
        <div class="fields">
          <ma-line
            label="Name"
            [value]="draft().name"
            (valueChange)="set({ name: $event })"
            [sentence]="sentences()['name']"
          />
          <ma-choice
            label="Form"
            [options]="forms"
            [value]="draft().form"
            (valueChange)="set({ form: $event })"
          />
          <ma-quantity
            label="Roller radius"
            [value]="draft().rollerRadiusMm"
            (valueChange)="set({ rollerRadiusMm: $event ?? none })"
            [sentence]="sentences()['rollerRadiusMm']"
            hint="Half the roller’s diameter"
          />
          <ma-quantity
            label="Nose ahead of the axle"
            [value]="draft().noseMm"
            (valueChange)="set({ noseMm: $event ?? none })"
            [sentence]="sentences()['noseMm']"
            hint="Along the blade, from the axle to where you measure from"
          />
          <ma-quantity
            label="Roller runs lower by"
            [value]="draft().rollerDropMm"
            (valueChange)="set({ rollerDropMm: $event })"
            [sentence]="sentences()['rollerDropMm']"
            hint="Empty where it runs on the stone"
          />
        </div>
        @if (sample(); as s) {
          <ma-guide-drawing [guide]="draft()" [seat]="s.seat" [edge]="blade" [setting]="s.setting" />
        } @else {
          <p class="muted">The guide is drawn when its figures can hold a blade at 30°.</p>
        }
      </div>
      <h2>Seats: where it holds the blade</h2>
      @for (seat of draft().seats; track $index; let i = $index) {
        <fieldset>
          <legend class="visually-hidden">Seat {{ i + 1 }}</legend>
          <ma-line
            label="Name of the seat"
            [most]="40"
            [value]="seat.name"
            (valueChange)="setSeat(i, { name: $event })"
            [sentence]="sentences()['seats.' + i + '.name'] ?? sentences()['seats.' + i]"
          />
          <ma-choice
            label="Holds the blade by"
            [options]="registers"
            [value]="seat.registers"
            (valueChange)="setSeat(i, { registers: $event })"
          />
          <ma-quantity
            label="Height above the axle"
            [value]="seat.heightMm"
            (valueChange)="setSeat(i, { heightMm: $event ?? none })"
            [sentence]="sentences()['seats.' + i + '.heightMm']"
          />
          <ma-quantity
            label="Narrowest blade"
            [value]="seat.minWidthMm"
            (valueChange)="setSeat(i, { minWidthMm: $event })"
            [sentence]="sentences()['seats.' + i + '.minWidthMm']"
            hint="If you know it"
          />
          <ma-quantity
            label="Widest blade"
            [value]="seat.maxWidthMm"
            (valueChange)="setSeat(i, { maxWidthMm: $event })"
            [sentence]="sentences()['seats.' + i + '.maxWidthMm']"
            hint="If you know it"
          />
          @if (draft().seats.length > 1) {
            <p-button
              label="Remove seat"
              [ariaLabel]="'Remove seat ' + seat.name"
              severity="secondary"
              [text]="true"
              (onClick)="dropSeat(i)"
            />
          }
        </fieldset>
      }
      @if (refusal()) {
        <p class="sentence-error" role="alert">{{ refusal() }}</p>
      }
      <div class="actions">
        <p-button type="submit" [label]="stored() ? 'Keep the change' : 'Put it on the bench'" />
        <p-button
          label="Add a seat"
          severity="secondary"
          [outlined]="true"
          (onClick)="addSeat()"
          [disabled]="draft().seats.length >= 8"
        />
        <a pButton routerLink="/guides" severity="secondary" [text]="true">Back to the guides</a>
        @if (stored()) {
          <p-button label="Take off the bench" severity="secondary" [outlined]="true" (onClick)="remove()" />
        }
      </div>
    </form>
  `,
  styles: `
    .both {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 1.2rem;
      align-items: center;
    }
    .fields,
    fieldset {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
      gap: 0.9rem 1.2rem;
    }
    fieldset {
      border: 0;
      border-left: 5px solid var(--leather);
      margin: 0;
      padding: 0.2rem 0 0.2rem 1rem;
      align-items: start;
    }
    ma-guide-drawing {
      background: var(--raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      overflow: hidden;
    }
    @media (max-width: 60rem) {
      .both {
        grid-template-columns: 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuidePage {
  readonly id = input<string>();
  private readonly guides = inject(GuidesStore);
  private readonly router = inject(Router);
  private readonly firstRun = toSignal(inject(FirstRunState).unfinished$, { initialValue: false });
  private readonly all = toSignal(this.guides.items$, { initialValue: [] });

  protected readonly none = NaN;
  protected readonly blade = SAMPLE;
  protected readonly forms = GUIDE_FORMS.map((value) => ({ value, label: FORM_WORDS[value] }));
  protected readonly registers = [
    { value: 'back', label: 'its back' },
    { value: 'underside', label: 'its underside' },
  ] as const;
  private readonly editor = new Editor<Guide>(
    this.guides,
    'guideSchema',
    GENERIC_SIDE_CLAMPING_GUIDE,
    'bench',
  );
  protected readonly stored = this.editor.stored;
  protected readonly draft = this.editor.draft;
  protected readonly sentences = this.editor.sentences;
  protected readonly refusal = this.editor.refusal;

  protected readonly sample = computed((): { seat: GuideSeat; setting: FacetSetting } | undefined => {
    const guide = this.draft();
    const [seat] = guide.seats;
    if (!seat || [guide.rollerRadiusMm, guide.noseMm, seat.heightMm].some((mm) => !Number.isFinite(mm)))
      return undefined;
    try {
      const { projectionMm } = guideProjection({
        guide: seatGeometry(guide, seat),
        thicknessMm: SAMPLE.thicknessMm,
        angleDeg: 30,
      });
      return { seat, setting: { facet: 'secondary', angleDeg: 30, projectionMm } };
    } catch (reason) {
      if (reason instanceof Refusal) return undefined;
      throw reason;
    }
  });

  constructor() {
    effect(() => {
      const found = this.all().find(({ id }) => id === this.id());
      untracked(() => this.editor.load(found));
    });
  }

  protected set(change: Partial<Guide>): void {
    this.editor.set(change);
  }

  protected setSeat(at: number, change: Partial<GuideSeat>): void {
    this.set({ seats: this.draft().seats.map((seat, i) => (i === at ? { ...seat, ...change } : seat)) });
  }

  protected addSeat(): void {
    const { seats } = this.draft();
    this.set({
      seats: [
        ...seats,
        { name: `Seat ${seats.length + 1}`, registers: 'back', heightMm: seats.at(-1)?.heightMm ?? 16 },
      ],
    });
  }

  protected dropSeat(at: number): void {
    this.set({ seats: this.draft().seats.filter((_, i) => i !== at) });
  }

  protected async keep(): Promise<void> {
    const leadOn = this.firstRun();
    if (await this.editor.keep()) void this.router.navigate([leadOn ? '/' : '/guides']);
  }

  protected async remove(): Promise<void> {
    if (await this.editor.remove()) void this.router.navigate(['/guides']);
  }
}
