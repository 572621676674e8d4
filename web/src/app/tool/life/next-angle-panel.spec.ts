import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Stored } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import type { NextAngle, Session } from '@mellow-anvil/core/record';
import { press } from '../../testing/host';
import { playServer, stored } from '../../testing/page';
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
  let server: HttpTestingController;
  const shown = (next: Partial<NextAngle>): string => {
    fixture.componentRef.setInput('next', { ...NEXT, ...next });
    fixture.detectChanges();
    return (fixture.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ');
  };
  beforeEach(() => {
    server = playServer();
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

  const SIDES = { leftDeg: 13, rightDeg: 10, nowLeftDeg: 14, nowRightDeg: 9 };
  const TOOL = {
    ...{ id: 'k', version: 3, createdAt: '', updatedAt: '', name: 'Pocket', family: 'marking-knife' },
    steel: 'high-carbon',
    edge: {
      ...{ form: 'knife', lengthMm: 70, widthMm: 15, spineMm: 2.2, leftDeg: 14, rightDeg: 9, grind: 'flat' },
    },
  } as unknown as Stored<Tool>;

  it('says where it would have to be flatter or steeper than is usual of its family, and what that may come of', () => {
    fixture.componentRef.setInput('tool', TOOL);
    const told = shown({ deg: 12, unusual: 'flatter' });
    expect(told).toContain('Keep 12°. Flatter than that is not usual of a pocket or marking knife');
    expect(told).toContain('may not have been sharp to begin with');
    // One that chips asks for the opposite, and for another reason.
    expect(shown({ deg: 15, nowDeg: 15, unusual: 'steeper' })).toContain(
      'Keep 15°. Steeper than that is not usual of a pocket or marking knife: an edge that seems to ask for it may be soft',
    );
    expect(shown({ deg: 12 })).not.toContain('not usual');
  });

  it('names both sides, why one moves to the other, and keeps the tool at them when told to', () => {
    fixture.componentRef.setInput('tool', TOOL);
    const told = shown({ sides: { ...SIDES, steers: 'in' } });
    expect(told).toContain('Try 13° left and 10° right next. It dives');
    (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('p-button button')?.click();
    const put = server.expectOne('/api/tools/k');
    expect((put.request.body as Tool).edge).toEqual(
      jasmine.objectContaining({ leftDeg: 13, rightDeg: 10, widthMm: 15 }),
    );
    expect(shown({ sides: { ...SIDES, leftDeg: 14, rightDeg: 9 } })).toContain('Keep 14° left and 9° right.');
    expect(shown({ sides: { ...SIDES, steers: 'out' } })).toContain('It climbs out');
  });

  it('puts down how the last spell cut, and takes a word back', async () => {
    const use = (felt?: object): Stored<Session> =>
      stored<Session>(
        {
          ...{ toolId: 'k', kind: 'use', startedAt: '2026-11-15T10:00:00.000Z' },
          use: { minutes: 25, ...(felt && { felt }) },
        },
        's',
      );
    const puts = (): unknown =>
      (server.match('/api/sessions/s').at(-1)?.request.body as Session | undefined)?.use;
    fixture.componentRef.setInput('sessions', [use()]);
    expect(shown({})).toContain('How did it cut, 15 Nov 2026?');
    await fixture.whenStable();
    await press(fixture, 'It climbs out');
    expect(puts()).toEqual({ minutes: 25, felt: { steers: 'out' } });
    fixture.componentRef.setInput('sessions', [use({ bites: true })]);
    await fixture.whenStable();
    await press(fixture, 'It bites');
    expect(puts()).toEqual({ minutes: 25 });
  });
});
