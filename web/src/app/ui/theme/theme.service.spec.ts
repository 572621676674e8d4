import { TestBed } from '@angular/core/testing';
import { playServer } from '../../testing/page';
import { ThemeService } from './theme.service';

describe('ThemeService', () => {
  const isDark = (): boolean => document.documentElement.classList.contains('dark');
  beforeEach(() => {
    localStorage.clear();
    playServer();
  });
  afterEach(() => {
    localStorage.clear();
    document.documentElement.classList.remove('dark');
  });

  it('follows the choice and remembers it on this device', () => {
    TestBed.inject(ThemeService).choose('dark');
    expect(isDark()).toBeTrue();
    TestBed.resetTestingModule();
    playServer();
    let now: string | undefined;
    TestBed.inject(ThemeService).theme$.subscribe((theme) => (now = theme));
    expect(now).toBe('dark');
    TestBed.inject(ThemeService).choose('light');
    expect(isDark()).toBeFalse();
  });

  it('follows the system where nothing readable was chosen', () => {
    localStorage.setItem('mellow-anvil.theme', 'sepia');
    TestBed.inject(ThemeService);
    expect(isDark()).toBe(matchMedia('(prefers-color-scheme: dark)').matches);
  });
});
