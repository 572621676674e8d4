import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { HttpTestingController } from '@angular/common/http/testing';
import type { Tool } from '@mellow-anvil/core/blade';
import { edgeAtFirst } from '@mellow-anvil/core/record';
import { EDGE, IRON, answer, page, playServer, stored } from '../testing/page';
import { press, textOf } from '../testing/host';
import { Rack } from './rack';

const chisel = (name: string, setName?: string): Tool => ({
  ...IRON,
  name,
  family: 'bench-chisel',
  ...(setName !== undefined && { setName }),
  edge: EDGE,
});
const knife: Tool = {
  name: 'Whittler',
  family: 'whittling-knife',
  steel: 'laminated',
  edge: { form: 'knife', lengthMm: 78, widthMm: 18, spineMm: 2.7, leftDeg: 12, rightDeg: 13, grind: 'flat' },
};

describe('Rack', () => {
  let server: HttpTestingController;
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
    server = playServer();
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
    expect(textOf(fixture)).toContain('Nothing on the rack is like that.');
  });

  it('marks the tool in the vise for those who cannot see the mark', async () => {
    fixture.componentRef.setInput('held', 't2');
    await fixture.whenStable();
    const marked = [...(fixture.nativeElement as HTMLElement).querySelectorAll('[aria-current=true]')];
    expect(marked.map((each) => each.querySelector('b')?.textContent)).toEqual(['Iron']);
  });

  it('puts what needs most work first, says why, and finds by state', async () => {
    const now = edgeAtFirst(chisel('Chisel 12'));
    const dull = { ...now.sinceSharpened, spells: 1, minutes: 70, stillCutting: false };
    const blunt = { entries: 2, state: { ...now, sinceHoned: dull, sinceSharpened: dull } };
    answer(server, '/api/records', {
      t1: blunt,
      t2: { entries: 1, state: now },
      t3: { entries: 1, state: now },
    });
    await fixture.whenStable();
    expect(shown()).toEqual(['Chisel 12', 'Chisel 6', 'Iron', 'Whittler']);
    expect(textOf(fixture)).toContain('Hone blunt at 1 h 10 min');
  });

  it('puts a spell of use down in one tap, as the last one was, open to be put right', async () => {
    const state = edgeAtFirst(IRON);
    const lastUse = {
      sessionId: 'u',
      at: '',
      who: 'Shed',
      use: { metresPlaned: 40, wood: 'larch', stillCutting: false },
    };
    answer(server, '/api/records', { t2: { entries: 1, state, lastUse } });
    await fixture.whenStable();
    await press(fixture, 'Used it: Iron');
    const post = server.expectOne({ method: 'POST', url: '/api/sessions' });
    expect(post.request.body).toEqual(
      jasmine.objectContaining({
        toolId: 't2',
        kind: 'use',
        who: 'Shed',
        use: { metresPlaned: 40, wood: 'larch', stillCutting: true },
      }),
    );
    post.flush(stored(post.request.body, 'u2'));
    await fixture.whenStable();
    expect(document.querySelector('ma-use-panel')?.textContent).toContain(
      '40 m in larch, still cutting, Shed.',
    );
  });
});
