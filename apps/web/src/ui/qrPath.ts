import { create } from 'qrcode';

/** A QR code as one path of unit squares. @returns the modules along a side, and the path */
export function qrPath(text: string): { size: number; path: string } {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  let path = '';
  for (let row = 0; row < size; row++) for (let col = 0; col < size; col++) if (data[row * size + col]) path += `M${col} ${row}h1v1h-1z`;
  return { size, path };
}
