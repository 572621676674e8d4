import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { textOf, typeInto } from '../testing/host';
import { playServer } from '../testing/page';
import { usualAbrasive } from '@mellow-anvil/core/abrasive';
import { StoneFields } from './stone-fields';

describe('StoneFields', () => {
  let fixture: ComponentFixture<StoneFields>;
  beforeEach(async () => {
    playServer();
    fixture = TestBed.createComponent(StoneFields);
    fixture.componentRef.setInput('draft', usualAbrasive());
    await fixture.whenStable();
  });
  const draft = () => fixture.componentInstance.draft();

  it('reads the grain size of a grade out at once and names the stone by it', async () => {
    await typeInto(fixture, 'Grade', '1000');
    expect(textOf(fixture)).toContain('11.5 µm');
    expect(draft().name).toBe('Water stone 1000');
  });

  it('leaves a name of the user’s own alone', async () => {
    await typeInto(fixture, 'Name', 'Grandfather’s');
    await typeInto(fixture, 'Grade', '8000');
    expect(draft().name).toBe('Grandfather’s');
  });

  it('says what grade there is instead of one there is not', async () => {
    await typeInto(fixture, 'Grade', '1100');
    expect(textOf(fixture, 'small.sentence-error')).toContain('#1000 or #1200');
  });

  it('asks only what a plan needs when it is asked to be brief', async () => {
    expect(textOf(fixture)).toContain('Length of a stroke');
    fixture.componentRef.setInput('brief', true);
    await fixture.whenStable();
    expect(textOf(fixture)).not.toContain('Length of a stroke');
  });
});
