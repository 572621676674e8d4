import { HttpErrorResponse } from '@angular/common/http';
import { told } from './problem';

describe('told', () => {
  const failed = (status: number, error: unknown): HttpErrorResponse =>
    new HttpErrorResponse({ status, error });

  it('passes on the server’s own words and fields', () => {
    const errors = [{ field: 'name', message: 'Write something short.' }];
    const words = told(
      failed(422, { title: 'Please change this', detail: 'Write something short.', errors }),
    );
    expect(words).toEqual({
      title: 'Please change this',
      detail: 'Write something short.',
      fields: errors,
      stale: false,
    });
    expect(told(failed(409, { detail: 'Load it again.' })).stale).toBeTrue();
  });

  it('says that the program does not answer, and that nothing typed is lost', () => {
    expect(told(failed(0, null)).detail).toContain('What you typed is still here');
  });

  it('has a sentence for anything else', () => {
    for (const odd of [failed(502, '<html>'), new Error('Broken'), 'text', undefined]) {
      expect(told(odd).detail.length).toBeGreaterThan(5);
    }
  });
});
