import { AutoFocus } from 'primeng/autofocus';

/**
 * The library marks every button that does not say otherwise with `autofocus`, and the browser
 * obeys the first one it meets: the page would open scrolled to some button in the middle.
 */
export function buttonsDoNotTakeFocus(): void {
  const { prototype } = AutoFocus;
  const checked = prototype.onAfterContentChecked;
  prototype.onAfterContentChecked = function (this: AutoFocus) {
    // Declared as a boolean, and nothing until somebody sets it.
    (this as Partial<AutoFocus>).autofocus ??= false;
    checked.call(this);
  };
}
