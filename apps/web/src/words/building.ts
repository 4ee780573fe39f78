import type { Cure, Fitted, Help, Missing } from '@good-arc/core';

/** What the last rung of a built ladder still lacks of the game ball. */
export function sayMissing(missing: Missing): string {
  switch (missing.code) {
    case 'comfort':
      return `“${missing.figures.ball}” would be ${missing.figures.comfort}: too little time for this level.`;
    case 'no-arc':
      return 'This machine has no arc to where the game ball goes.';
    case 'not-aimed':
      return 'The last step could not be aimed from there.';
    case 'time':
      return `It is there in ${missing.figures.feedS.toFixed(2)} s, in a game in ${missing.figures.gameS.toFixed(2)} s.`;
    case 'speed': {
      const { share } = missing.figures;
      return `It arrives ${share < 1 ? 'slower' : 'faster'} than in a game: ${Math.round(share * 100)} % of its speed.`;
    }
    case 'height':
      return `It is met ${missing.figures.higher ? 'higher' : 'lower'} than in a game.`;
    case 'spin':
      if (missing.figures.feedRpm * missing.figures.gameRpm <= 0)
        return `This machine cannot put ${missing.figures.gameRpm < 0 ? 'underspin' : 'topspin'} on a ball.`;
      return `Its spin is ${Math.round(missing.figures.feedRpm)} rpm when it arrives, in a game ${Math.round(missing.figures.gameRpm)} rpm.`;
  }
}

/** What would help. */
export function sayHelp(help: Help): string {
  switch (help.code) {
    case 'closer':
      return 'Move the machine closer: the same speed leaves less time to react.';
    case 'softer':
      return 'A softer ball, or more distance, gives back the time.';
    case 'more-spin':
      return `Another machine: one that gives ${help.figures.rpm} rpm; this is a ${help.figures.kind.toLowerCase()}.`;
    case 'faster':
      return `Another machine: one that throws faster or farther than a ${help.figures.kind.toLowerCase()}.`;
  }
}

/** What would make it possible. */
function sayCure(cure: Cure | null, length: (m: number) => string): string {
  switch (cure?.code) {
    case 'machine-nearer':
      return `It could with the machine ${length(cure.byM)} nearer.`;
    case 'machine-farther':
      return `It could with the machine ${length(cure.byM)} farther away.`;
    case 'player-in':
      return `It could if the player steps in by ${length(cure.byM)}.`;
    case 'player-back':
      return `It could if the player stands ${length(cure.byM)} farther back.`;
    case 'muzzle':
      return `It could with its muzzle at ${length(cure.toM)}.`;
    case undefined:
      return 'Take another ball or another machine.';
  }
}

/** Why a rung of a built-in drill is left out here. */
export function sayUnfit({ why }: Fitted['problems'][number], length: (m: number) => string): string {
  switch (why.code) {
    case 'cannot-throw':
      return `This machine cannot bring “${why.figures.ball}” to the right height from there. ${sayCure(why.figures.cure, length)}`;
    case 'not-at-level':
      return `“${why.figures.ball}” is not asked of this level: balls so low come later.`;
    case 'bounces-twice':
      return 'A ball of it bounces twice before it reaches the player.';
    case 'ball-by-ball':
      return 'Its balls differ from one to the next, and this machine stands for one ball at a time: a machine that is programmed throws it.';
    case 'no-sweep':
      return 'The machine must turn by itself while it feeds; this one is turned by hand.';
    case 'feeds-too-soon':
      return `It needs ${Math.ceil(why.figures.needsS)} s from ball to ball, and this machine waits ${why.figures.atMostS} s at most: switch it off between balls, or take one that waits longer.`;
    case 'too-little-time':
      return 'It leaves too little time for this level.';
  }
}
