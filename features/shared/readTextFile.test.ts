import { MOST_BYTES, readTextFile } from './readTextFile';

const file = (bytes: number[] | string) => new Blob([typeof bytes === 'string' ? bytes : new Uint8Array(bytes)]);

describe('a text file', () => {
  it('is read as it was written: UTF-8 with and without its mark, UTF-16, Latin-1', async () => {
    expect(await readTextFile(file('Crème brûlée, 4 œufs'))).toBe('Crème brûlée, 4 œufs');
    expect(await readTextFile(file([0xef, 0xbb, 0xbf, 0x41]))).toBe('A');
    expect(await readTextFile(file([0xff, 0xfe, 0xe9, 0x00]))).toBe('é');
    expect(await readTextFile(file([0xfe, 0xff, 0x00, 0xe9]))).toBe('é');
    expect(await readTextFile(file([0x43, 0x72, 0xe8, 0x6d, 0x65]))).toBe('Crème');
    expect(await readTextFile(file(''))).toBe('');
  });
  it('too large a one is not', async () =>
    expect(await readTextFile({ size: MOST_BYTES + 1 } as Blob)).toBeUndefined());
});
