/** The media types of the files that are handed out, by their ending. */
export const FILE_TYPES: Readonly<Record<string, string>> = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  dxf: 'image/vnd.dxf',
  stl: 'model/stl',
  csv: 'text/csv',
};
