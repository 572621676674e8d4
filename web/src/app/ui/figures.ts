import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  formatAngle,
  formatDay,
  formatLength,
  formatMinutes,
  formatNumber,
  MM_PER_INCH,
  parseAngle,
  parseLength,
  parseMinutes,
  parseNumber,
} from '@mellow-anvil/core/base';
import type { PatternHand } from '@mellow-anvil/core/pattern';
import type { Hand } from '@mellow-anvil/core/record';
import { DEFAULT_SETTINGS } from '@mellow-anvil/core/workshop';
import { SettingsStore } from '../data/settings.store';

/** What a field or a figure measures. */
export type Quantity = 'length' | 'angle' | 'minutes' | 'number' | 'micron';

/** Reads and writes every figure on the page, in the units and with the mark the user chose. */
@Injectable({ providedIn: 'root' })
export class Figures {
  private readonly settings = toSignal(inject(SettingsStore).settings$, {
    initialValue: { ...DEFAULT_SETTINGS, version: 0 },
  });
  readonly units = computed(() => this.settings().units);
  private readonly mark = computed(() => this.settings().decimalMark);

  length(mm: number, decimals = 2): string {
    return formatLength(mm, { units: this.units(), mark: this.mark(), decimals });
  }

  /** A length nobody measures with a rule: µm, or thou. */
  sliver(mm: number): string {
    return this.units() === 'mm'
      ? `${this.number(mm * 1000, Math.abs(mm) < 0.001 ? 1 : 0)} µm`
      : formatLength(mm, { units: 'inch', mark: this.mark(), inchStyle: 'thou', decimals: 2 });
  }

  /** What stands in a figure's place until it is given. */
  taken(mm: number): string {
    return `Taken as ${this.length(mm)} until you give it`;
  }

  angle(deg: number, decimals = 1): string {
    return formatAngle(deg, decimals, this.mark());
  }

  minutes(minutes: number): string {
    return formatMinutes(minutes, this.mark());
  }

  number(value: number, decimals = 2, fixed = false): string {
    return formatNumber(value, decimals, this.mark(), fixed);
  }

  /** A projection for reading off: always to the hundredth of a millimetre (or thousandth of an inch). */
  setting(mm: number): string {
    return this.units() === 'mm' ? this.number(mm, 2, true) : this.number(mm / MM_PER_INCH, 3, true);
  }

  /** The hand reasons of core are written in: the user's units and mark. */
  readonly hand = computed((): Hand => ({
    length: (mm) => this.length(mm),
    minutes: (minutes) => this.minutes(minutes),
    number: (value) => this.number(value, 1),
    day: formatDay,
  }));

  /** How figures are written on what leaves the screen: as they are here. */
  readonly patternHand = computed((): PatternHand => ({
    length: (mm) => this.length(mm),
    setting: (mm) => `${this.setting(mm)} ${this.unitOf('length')}`,
    angle: (deg) => this.angle(deg, 2),
  }));

  /** How the unit is written beside a field or figure. */
  unitOf(quantity: Quantity): string {
    if (quantity === 'length') return this.units() === 'mm' ? 'mm' : 'in';
    return { angle: '°', minutes: 'min', number: '', micron: 'µm' }[quantity];
  }

  /** A value as it stands in a field, without its unit. */
  write(quantity: Quantity, value: number): string {
    if (quantity !== 'length') return this.number(value, quantity === 'angle' ? 3 : 6);
    return this.units() === 'mm' ? this.number(value, 4) : this.number(value / MM_PER_INCH, 5);
  }

  /** Reads what was typed. @throws Refusal in words */
  read(quantity: Quantity, text: string): number {
    switch (quantity) {
      case 'length':
        return parseLength(text, this.units());
      case 'angle':
        return parseAngle(text);
      case 'minutes':
        return parseMinutes(text);
      case 'micron':
        return parseNumber(text.replace(/(µm|μm|um)$/i, '').trimEnd(), 'size');
      case 'number':
        return parseNumber(text, 'number');
    }
  }
}
