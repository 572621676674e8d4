import { AutoFocus } from 'primeng/autofocus';

/**
 * The library marks every button that does not say otherwise with `autofocus`, and the browser
 * obeys the first one it meets: the page would open scrolled to some button in the middle.
 */
export function buttonsDoNotTakeFocus(): void {
  const { prototype } = AutoFocus;
  const checked = prototype.onAfterContentChecked;
  prototype.onAfterContentChecked = function (this: AutoFocus) {
    this.autofocus ??= false;
    checked.call(this);
  };
}
