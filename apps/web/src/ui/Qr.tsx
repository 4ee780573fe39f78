import { qrPath } from './qrPath.ts';

/** A QR code of an address, drawn sharp at any size. @param label what it does, in words */
export function Qr({ text, label = `QR code that opens ${text}`, className = '' }: { text: string; label?: string; className?: string }) {
  const { size, path } = qrPath(text);
  return (
    <svg viewBox={`-2 -2 ${size + 4} ${size + 4}`} className={className} role="img" aria-label={label} shapeRendering="crispEdges">
      <rect x={-2} y={-2} width={size + 4} height={size + 4} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
