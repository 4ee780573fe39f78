import { useEffect, useState } from 'react';
import { askedBesides } from './drawn.ts';

/** A part of the address, also where the page comes from this device and was drawn for another. @param drawn what the server drew */
export function useAsked(name: string, drawn: string | null): string | null {
  const [value, setValue] = useState(drawn);
  useEffect(() => {
    const asked = askedBesides();
    if (asked) setValue(asked.get(name) ?? drawn);
  }, [name, drawn]);
  return value;
}
