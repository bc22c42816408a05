import sharp from 'sharp';
import { isBareJpeg } from './bare-jpeg';

const noise = () =>
  sharp({
    create: {
      width: 90,
      height: 70,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 50 },
    },
  });

describe('a JPEG with nothing in it but the picture', () => {
  test.each([
    ['as a browser draws it', () => noise().jpeg()],
    ['in several scans', () => noise().jpeg({ progressive: true })],
    ['with other tables', () => noise().jpeg({ mozjpeg: true, quality: 40 })],
    ['grey', () => noise().greyscale().jpeg()],
    ['with its colours told', () => noise().withIccProfile('p3').jpeg()],
  ])('%s', async (_, made) => {
    expect(isBareJpeg(await made().toBuffer())).toBe(true);
  });

  test('is none with a camera or a place written into it, or a remark', async () => {
    const told = noise().withExif({ IFD0: { Make: 'Camera of somebody' } });
    expect(isBareJpeg(await told.jpeg().toBuffer())).toBe(false);
    const plain = await noise().jpeg().toBuffer();
    const remark = Buffer.concat([
      plain.subarray(0, 2),
      Buffer.from([0xff, 0xfe, 0x00, 0x08]),
      Buffer.from('secret'),
      plain.subarray(2),
    ]);
    expect(isBareJpeg(remark)).toBe(false);
    const posing = Buffer.concat([
      plain.subarray(0, 2),
      Buffer.from([0xff, 0xe2, 0x00, 0x08]),
      Buffer.from('secret'),
      plain.subarray(2),
    ]);
    expect(isBareJpeg(posing)).toBe(false);
  });

  test('is none with something behind its end, cut off, or another kind of file', async () => {
    const plain = await noise().jpeg().toBuffer();
    expect(isBareJpeg(Buffer.concat([plain, Buffer.from('more')]))).toBe(false);
    expect(isBareJpeg(Buffer.concat([plain, plain]))).toBe(false);
    expect(isBareJpeg(plain.subarray(0, plain.length / 2))).toBe(false);
    expect(isBareJpeg(await noise().png().toBuffer())).toBe(false);
    expect(isBareJpeg(new Uint8Array())).toBe(false);
  });
});
