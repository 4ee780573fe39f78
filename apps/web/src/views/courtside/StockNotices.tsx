import { CAP_BALLS } from '@good-arc/core';
import type { ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import type { useStock } from './useStock.ts';

/**
 * More balls lie about than anybody should step among; the hopper is empty, or would be before the round is over.
 * @param wanted balls of the round, from here
 */
export function StockNotices({
  stock: { lying, pickedUp, hopper, refilled },
  wanted,
  isRunning,
}: {
  stock: ReturnType<typeof useStock>;
  wanted: number;
  isRunning: boolean;
}) {
  const isShort = hopper !== null && wanted > 0 && (isRunning ? hopper <= 0 : hopper < wanted);
  return (
    <>
      {lying >= CAP_BALLS && (
        <WithButton name="Picked up" onPress={pickedUp}>
          <b>About {lying} balls lie about.</b> Pick them up before somebody steps on one.
        </WithButton>
      )}
      {isShort && (
        <WithButton name="Refilled" onPress={refilled}>
          {hopper > 0 ? (
            <>
              <b>About {hopper} balls are left in the hopper,</b> and this round throws {wanted}. Refill it first.
            </>
          ) : (
            <>
              <b>The hopper must be empty.</b> Stop the machine, pick up, and fill it.
            </>
          )}
        </WithButton>
      )}
    </>
  );
}

const WithButton = ({ name, onPress, children }: { name: string; onPress: () => void; children: ReactNode }) => (
  <Notice tone="warning" className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2" role="status">
    <span className="min-w-0 grow basis-56">{children}</span>
    <Button size="l" onClick={onPress}>
      {name}
    </Button>
  </Notice>
);
