import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { guideAngle, guideProjection, type GuideSeat, seatGeometry } from '@mellow-anvil/core/guide';
import { press, textOf, typeInto } from '../testing/host';
import { GUIDE, playServer } from '../testing/page';
import { asForm, type GuideDraft } from './guide-draft';
import { MeasureSeat } from './measure-seat';

/** What a protractor would read on a guide that differs from the one typed. */
const read = (projectionMm: number): string =>
  guideAngle({ guide: { rollerRadiusMm: 9, seatHeightMm: 17.5, noseMm: 15 }, projectionMm }).angleDeg.toFixed(
    2,
  );

describe('MeasureSeat', () => {
  let fixture: ComponentFixture<MeasureSeat>;
  let kept: GuideSeat[];
  const [seat] = GUIDE.seats as [GuideSeat];
  const type = async (row: number, projection: number, angle = read(projection)): Promise<void> => {
    await typeInto(fixture, `Projection ${row}`, String(projection));
    await typeInto(fixture, `Angle ${row}`, angle);
  };

  beforeEach(async () => {
    playServer();
    kept = [];
    fixture = TestBed.createComponent(MeasureSeat);
    fixture.componentRef.setInput('guide', GUIDE);
    fixture.componentRef.setInput('seat', seat);
    fixture.componentInstance.seatChange.subscribe((each) => kept.push(each));
    await fixture.whenStable();
  });

  it('fits two readings, says that it cannot doubt them, and sets the seat up by them with ±', async () => {
    await type(1, 40);
    await type(2, 28);
    expect(textOf(fixture, '[role=status]')).toContain('With 2 readings none can be told to be wrong');
    expect(textOf(fixture, 'dl')).toMatch(/30°[\d.]+ ± [\d.]+ mm/);
    await press(fixture, 'Set up by these readings');
    const [measured] = kept as [GuideSeat];
    expect(measured.heightMm).toBeCloseTo(17.5, 0);
    expect(measured.measured?.readings.length).toBe(2);
    const mine = guideProjection({ guide: seatGeometry(GUIDE, measured), angleDeg: 30 }).projectionMm;
    const true30 = guideProjection({
      guide: { rollerRadiusMm: 9, seatHeightMm: 17.5, noseMm: 15 },
      angleDeg: 30,
    });
    expect(mine).toBeCloseTo(true30.projectionMm, 1);
  });

  it('names the one of four that contradicts the rest, and marks it by word and shape', async () => {
    await type(1, 42);
    await type(2, 36, String(Number(read(36)) + 4));
    for (const [row, mm] of [
      [3, 30],
      [4, 24],
    ] as const) {
      await press(fixture, 'Add a reading');
      await type(row, mm);
    }
    expect(textOf(fixture, '[role=status]')).toMatch(/Reading 2 contradicts the rest.* says .* more/);
    expect(textOf(fixture, '.row.wrong')).toContain('contradicts the rest');
    expect((fixture.nativeElement as HTMLElement).querySelectorAll('.cross').length).toBe(1);
    await press(fixture, 'Leave reading 2 out');
    expect(textOf(fixture)).not.toContain('contradicts');
  });

  it('refuses readings no guide gives, in words, and draws nothing of them', async () => {
    await type(1, 40, '25');
    await type(2, 30, '20');
    expect(textOf(fixture, '[role=alert]')).toContain('No roller guide gives these readings');
    expect((fixture.nativeElement as HTMLElement).querySelector('.plot')).toBeNull();
  });

  it('asks how thick the blade was where the seat holds its underside', async () => {
    fixture.componentRef.setInput('seat', { ...seat, registers: 'underside' });
    await type(1, 40);
    await type(2, 28);
    await press(fixture, 'Set up by these readings');
    expect(kept).toEqual([]);
    expect(textOf(fixture)).toContain('Give the thickness of the blade');
    await typeInto(fixture, 'Blade you measured with', '3.5');
    await press(fixture, 'Set up by these readings');
    expect(kept[0]?.heightMm).toBeCloseTo(14, 0);
  });
});

describe('asForm', () => {
  it('keeps measured figures between roller guides, and begins jigs with their own', () => {
    const { name: _name, ...figures } = GUIDE;
    const mine: GuideDraft = { ...figures, name: 'Mine', rollerRadiusMm: 11 };
    expect(asForm(mine, 'wide-roller')).toEqual({ ...mine, form: 'wide-roller' });
    const jig = asForm(mine, 'wet-wheel-jig');
    expect([jig.wheelRadiusMm, jig.rollerRadiusMm, jig.seats, jig.name]).toEqual([
      125,
      undefined,
      undefined,
      'Mine',
    ]);
    expect(asForm(jig, 'freehand')).toEqual({ name: 'Mine', form: 'freehand' });
  });
});
