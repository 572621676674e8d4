import {
  Colors,
  DxfWriter,
  LWPolylineFlags,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
  point2d,
  point3d,
} from '@tarikjabiri/dxf';
import { type Pattern, PATTERN_LAYERS, type PatternLayer } from '@mellow-anvil/core/pattern';

const COLOURS: Readonly<Record<PatternLayer, number>> = {
  cut: Colors.Red,
  fence: Colors.Blue,
  stop: Colors.Green,
  face: Colors.Magenta,
  fold: Colors.Cyan,
  scribe: 8,
};
const TEXT_LAYER = 'label';

/** A pattern as DXF in millimetres: a layer for what each line is for, lettering on its own. */
export function patternDxf(pattern: Pattern): string {
  const drawing = new DxfWriter();
  drawing.setUnits(Units.Millimeters);
  for (const layer of PATTERN_LAYERS) drawing.addLayer(layer, COLOURS[layer], 'CONTINUOUS');
  drawing.addLayer(TEXT_LAYER, Colors.White, 'CONTINUOUS');
  for (const mark of pattern.marks) {
    if (mark.kind === 'path') {
      const options = { layerName: mark.layer };
      const [a, b, ...more] = mark.points;
      if (a && b && more.length === 0) {
        drawing.addLine(point3d(a.x, a.y), point3d(b.x, b.y), options);
      } else {
        drawing.addLWPolyline(
          mark.points.map(({ x, y }) => ({ point: point2d(x, y) })),
          { ...options, flags: mark.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
        );
      }
    } else {
      const { at, text, sizeMm, turnDeg = 0, align } = mark;
      const place = point3d(at.x, at.y);
      // A line break would end the value in the file.
      drawing.addText(place, sizeMm, text.replace(/\s+/g, ' '), {
        layerName: TEXT_LAYER,
        rotation: turnDeg,
        ...(align === 'middle' && {
          horizontalAlignment: TextHorizontalAlignment.Center,
          verticalAlignment: TextVerticalAlignment.BaseLine,
          secondAlignmentPoint: place,
        }),
      });
    }
  }
  return drawing.stringify();
}
