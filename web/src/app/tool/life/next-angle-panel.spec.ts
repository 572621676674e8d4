import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { NextAngle } from '@mellow-anvil/core/record';
import { NextAnglePanel } from './next-angle-panel';

const NEXT: NextAngle = {
  deg: 13,
  nowDeg: 12,
  bestDeg: 13.4,
  lowDeg: 11,
  highDeg: 16,
  flatter: 0.1,
  here: 0.3,
  steeper: 0.6,
  edges: 9,
};

describe('what next', () => {
  let fixture: ComponentFixture<NextAnglePanel>;
  const shown = (next: Partial<NextAngle>): string => {
    fixture.componentRef.setInput('next', { ...NEXT, ...next });
    fixture.detectChanges();
    return (fixture.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ');
  };
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    fixture = TestBed.createComponent(NextAnglePanel);
  });

  it('says which way and from how much, and draws the chances as wide as they are', () => {
    const told = shown({});
    expect(told).toContain('Steeper: try 13° next.');
    expect(told).toContain('its 9 edges lasted');
    expect(told).toContain('from 11° to 16°');
    const host = fixture.nativeElement as HTMLElement;
    const parts = [...host.querySelectorAll<HTMLElement>('.chances span')];
    expect(parts.map(({ style }) => style.flexGrow)).toEqual(['0.1', '0.3', '0.6']);
    // What is too narrow for its words is told to those who listen all the same.
    expect(parts.map((each) => each.textContent.trim())).toEqual(['', '', 'steeper 60 %']);
    expect(host.querySelector('[role=img]')?.getAttribute('aria-label')).toBe(
      'flatter 10 %, about here 30 %, steeper 60 %',
    );
  });

  it('keeps what is best, and goes flatter where nothing chips', () => {
    expect(shown({ deg: 12 })).toContain('Keep 12°.');
    expect(shown({ deg: 10 })).toContain('Flatter: try 10° next.');
  });
});
