import type { HttpTestingController } from '@angular/common/http/testing';
import { BreakpointObserver, type BreakpointState } from '@angular/cdk/layout';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import { BehaviorSubject } from 'rxjs';
import { Desk } from '../data/desk';
import { toolRecord } from '@mellow-anvil/core/record';
import { press, textOf } from '../testing/host';
import { IRON, answer, page, playServer, stored } from '../testing/page';
import { PuzzlePage } from './puzzle.page';

describe('PuzzlePage', () => {
  let server: HttpTestingController;
  let fixture: ComponentFixture<PuzzlePage>;
  let screen: BehaviorSubject<BreakpointState>;

  beforeEach(async () => {
    screen = new BehaviorSubject<BreakpointState>({ matches: false, breakpoints: {} });
    TestBed.configureTestingModule({
      providers: [{ provide: BreakpointObserver, useValue: { observe: () => screen } }],
    });
    server = playServer();
    fixture = TestBed.createComponent(PuzzlePage);
    fixture.componentRef.setInput('tool', 'iron');
    fixture.componentRef.setInput('seen', 'edge-bellied,nonsense');
    await fixture.whenStable();
    answer(server, '/api/tools', page([stored(IRON, 'iron')]));
    await fixture.whenStable();
  });

  it('begins with what a gate recorded, ranks, and lets the best look change the ranking', async () => {
    expect(textOf(fixture, 'li')).toContain('The stone is dished');
    expect(textOf(fixture, '.looks')).toContain('Lay a straightedge on the stone');
    (fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('.look button')[1]?.click();
    await fixture.whenStable();
    expect(textOf(fixture, 'li')).not.toContain('The stone is dished');
    await press(fixture, 'Take back');
    expect(textOf(fixture, 'li')).toContain('The stone is dished');
  });

  it('goes by the tool’s own record, and says which way that tells', async () => {
    await press(fixture, 'The edge has a belly');
    await press(fixture, 'It skates on the thumbnail');
    expect(textOf(fixture, 'ol')).not.toContain('By its record');
    answer(server, '/api/records', { iron: { ...toolRecord(IRON, [], []), entries: 3 } });
    await fixture.whenStable();
    await press(fixture, 'The edge is rounded over');
    expect(textOf(fixture, 'ol')).toContain('By its record:');
  });

  it('answers above the signs where both stand in one column, and takes a sign back there', async () => {
    const host = fixture.nativeElement as HTMLElement;
    const order = (): readonly (string | null)[] =>
      [...host.querySelectorAll('section')].map((each) => each.getAttribute('aria-labelledby'));
    expect(order()).toEqual(['seen', 'causes']);
    screen.next({ matches: true, breakpoints: {} });
    await fixture.whenStable();
    expect(order()).toEqual(['causes', 'seen']);
    await press(fixture, 'Straw, brown or blue');
    expect(document.activeElement?.id).toBe('causes');
    expect(textOf(fixture, 'li')).toContain('It was overheated');
    await press(fixture, 'Another sign');
    expect(document.activeElement?.id).toBe('seen');
    await press(fixture, 'Take back: Straw, brown or blue');
    await press(fixture, 'Take back: The edge has a belly');
    expect(order()).toEqual(['seen', 'causes']);
  });

  it('opens the cure as a plan asked for that condition', async () => {
    const asked = spyOn(TestBed.inject(Desk), 'ask');
    const going = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await press(fixture, 'The edge has a belly');
    await press(fixture, 'Straw, brown or blue');
    await press(fixture, 'Plan the cure: It was overheated');
    expect(going).toHaveBeenCalledWith(['/tools', 'iron', 'plan']);
    expect(asked).toHaveBeenCalledWith({
      condition: { kind: 'dull', faults: [{ kind: 'overheated', mm: 0.1 }] },
    });
  });
});
