import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { ToolRecord } from '@mellow-anvil/core/record';
import { press, textOf } from '../../testing/host';
import { EDGE, IRON, answer, page, playServer, stone } from '../../testing/page';
import { AdvicePanel } from './advice-panel';

describe('AdvicePanel', () => {
  let fixture: ComponentFixture<AdvicePanel>;
  const show = async (chips: ToolRecord['chips'], wood = 'oak'): Promise<void> => {
    TestBed.resetTestingModule();
    const server = playServer();
    fixture = TestBed.createComponent(AdvicePanel);
    const lastUse = { sessionId: 's', at: '2026-11-01T09:00:00Z', use: { wood } };
    for (const [name, value] of Object.entries({ tool: IRON, edge: EDGE, record: { chips, lastUse } })) {
      fixture.componentRef.setInput(name, value);
    }
    answer(server, '/api/abrasives', page([stone('w1000', '1000'), stone('w8000', '8000')]));
    await fixture.whenStable();
  };
  const advised = (): number => parseFloat(textOf(fixture, 'dd'));
  const none = { edges: 0, chipped: 0, inWood: {} };

  it('begins with the wood last cut and the family’s usual work, and adds its reasons up', async () => {
    await show(none);
    expect(textOf(fixture)).toContain('White oak (1360)');
    expect(textOf(fixture)).toContain('Smoothing');
    expect(advised()).toBe(32);
    expect(textOf(fixture, 'table')).toContain('common practice');
    await show(none, 'spruce');
    expect(advised()).toBe(29);
  });

  it('goes by this tool’s own chips', async () => {
    await show({ edges: 40, chipped: 0, inWood: { oak: { edges: 40, chipped: 0 } } });
    expect(advised()).toBeLessThan(30);
    await show({ edges: 40, chipped: 12, inWood: { oak: { edges: 40, chipped: 12 } } });
    expect(advised()).toBeGreaterThanOrEqual(31.5);
    expect(textOf(fixture, 'table')).toContain('12 of 40 edges chipped at 30°');
  });

  it('sets the advised angle, and plans to a finish the bench has', async () => {
    await show({ edges: 40, chipped: 30, inWood: { oak: { edges: 40, chipped: 30 } } });
    const edges: object[] = [];
    const finishes: number[] = [];
    fixture.componentInstance.chosen.subscribe((edge) => edges.push(edge));
    fixture.componentInstance.finishChosen.subscribe((um) => finishes.push(um));
    const angle = advised();
    await press(fixture, 'Set the secondary');
    expect(edges).toEqual([{ secondaryDeg: angle, microDeg: undefined, microLandMm: undefined }]);
    expect(textOf(fixture)).toContain('end on “Stone 8000”');
    await press(fixture, 'Plan to this finish');
    expect(finishes).toEqual([2]);
  });
});
