import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Tool } from '@mellow-anvil/core';
import { EDGE, IRON, answer, page, playServer, stored } from '../testing/page';
import { textOf } from '../testing/host';
import { Rack } from './rack';

const chisel = (name: string, setName?: string): Tool => ({
  ...IRON,
  name,
  family: 'bench-chisel',
  setName,
  edge: EDGE,
});
const knife: Tool = {
  name: 'Whittler',
  family: 'whittling-knife',
  steel: 'laminated',
  edge: { form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 13, grind: 'flat' },
};

describe('Rack', () => {
  let fixture: ComponentFixture<Rack>;
  const shown = (): string[] =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('nav a b')].map(
      (each) => each.textContent ?? '',
    );
  const find = async (text: string): Promise<void> => {
    const search: HTMLInputElement = fixture.nativeElement.querySelector('input[type=search]');
    search.value = text;
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    const server = playServer();
    fixture = TestBed.createComponent(Rack);
    const tools = [knife, chisel('Chisel 12', 'The set'), IRON, chisel('Chisel 6', 'The set')];
    answer(server, '/api/tools', page(tools.map((tool, i) => stored(tool, `t${i}`))));
    await fixture.whenStable();
  });

  it('stands sets together, in the order of families and of sizes', () => {
    expect(shown()).toEqual(['Chisel 6', 'Chisel 12', 'Iron', 'Whittler']);
    const headings = [...(fixture.nativeElement as HTMLElement).querySelectorAll('h2')].map(
      (each) => each.textContent,
    );
    expect(headings).toEqual(['The set', 'Chisels and irons', 'Knives']);
    expect(textOf(fixture)).toContain('25 / 30° · 45 mm');
    expect(textOf(fixture)).toContain('12 + 13° · 78 mm');
  });

  it('finds by name or set, and says when there is none', async () => {
    await find('SET');
    expect(shown()).toEqual(['Chisel 6', 'Chisel 12']);
    await find('scythe');
    expect(textOf(fixture)).toContain('Nothing on the rack is called that.');
  });

  it('marks the tool in the vise for those who cannot see the mark', async () => {
    fixture.componentRef.setInput('held', 't2');
    await fixture.whenStable();
    const marked = [...(fixture.nativeElement as HTMLElement).querySelectorAll('[aria-current=true]')];
    expect(marked.map((each) => each.querySelector('b')?.textContent)).toEqual(['Iron']);
  });
});
