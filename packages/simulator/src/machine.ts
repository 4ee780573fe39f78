import { type DialPlace, type MachineProfile, reachS } from '@good-arc/core';
import {
  type Action,
  afterListening,
  type Clock,
  type Command,
  HEARTBEAT_LOST_MS,
  LIVE_STATES,
  type MachineEvent,
  type MachineState,
  type Program,
  type RefusalCode,
  type Status,
  TRANSITIONS,
} from '@good-arc/line';
import type { DialLaw } from './dial-law.ts';
import { dialsOf, type Fault, faultOf } from './extension.ts';

/** Quiet before the first ball after feed or resume, s, so that nobody is surprised. */
const LEAD_S = 2;
/** As many as a program may have. */
const MOST_BALLS = 1000;
const BATTERY_PER_BALL = 0.0007;
/** Where it points when stowed: away from everyone. */
const STOWED = { bearingDeg: 0, elevationDeg: 0 };

export interface SimulatedMachineOptions {
  profile: Pick<MachineProfile, 'hopper' | 'repeatability'>;
  clock: Clock;
  /** Uniform in [0, 1); seeded, so that a run can be repeated. */
  random: () => number;
  emit: (event: MachineEvent) => void;
  /** What its dials do, for a program that says where they stand. */
  law: DialLaw;
  /** How long it goes on without a heartbeat at least, ms, where the test rig is too busy to beat in time. */
  patienceMs?: number;
  /** How many times faster than real time it slews, spins up and feeds. The heartbeat is never sped up. */
  timeFactor?: number;
}

type Answer = { ok: true } | { ok: false; code: RefusalCode; text: string };

/** One simulated machine, without its socket: takes commands, emits events, obeys the state table. */
export class SimulatedMachine {
  state: MachineState = 'stowed';
  private readonly options: SimulatedMachineOptions;
  private program: Program | null = null;
  private thrown = 0;
  /** Balls that had left when its list was told last. */
  private listedAt = 0;
  private hopper: number;
  private battery = 0.83;
  private why = '';
  private bearingDeg = STOWED.bearingDeg;
  private elevationDeg = STOWED.elevationDeg;
  private wheelsMps = 0;
  private feedsAfterArming = false;
  private misfeedNext = false;
  private jamNext = false;
  private dueAtMs: number | null = null;
  private cancelNext: (() => void) | null = null;
  private cancelWatchdog: (() => void) | null = null;

  constructor(options: SimulatedMachineOptions) {
    this.options = options;
    this.hopper = options.profile.hopper;
  }

  status(): Status {
    return {
      event: 'status',
      state: this.state,
      why: this.why,
      hopper: this.hopper,
      battery: Math.max(0, this.battery),
      thrown: this.thrown,
      count: this.program?.count ?? 0,
      program: this.program && { id: this.program.id, name: this.program.name },
      intervalS: this.program?.intervalS ?? null,
      next: this.next(),
      nextInS: this.state === 'feeding' && this.dueAtMs !== null ? Math.max(0, (this.dueAtMs - this.options.clock.nowMs()) / 1000) : null,
    };
  }

  /** Any of the driver's commands but the greeting. */
  handle(command: Exclude<Command, { do: 'hello' }>): Answer {
    switch (command.do) {
      case 'heartbeat':
        this.watch();
        return { ok: true };
      case 'refill':
        this.hopper = this.options.profile.hopper;
        this.tell();
        return { ok: true };
      case 'extra': {
        const fault = faultOf(command);
        return fault ? this.simulate(fault) : { ok: false, code: 'cannot', text: 'This machine has no such command.' };
      }
      case 'arm': {
        const dials = dialsOf(command.program);
        if (!dials) return { ok: false, code: 'cannot', text: 'These are no dials of this machine.' };
        return this.move('arm', () => this.arm(this.dialled(command.program, dials)));
      }
      case 'resume':
        if (this.state === 'held' && this.program && this.program.id !== command.program)
          return { ok: false, code: 'other-program', text: `On hold is another round: ${this.program.name}.` };
        return this.move('resume', () => this.spinUp());
      case 'pace':
        return this.pace(command.program, command.intervalS);
      case 'rest':
        return this.rest(command);
      case 'feed':
        return this.move('feed', () => this.schedule(LEAD_S + (this.program?.firstS ?? 0)));
      default:
        return this.move(command.do, () => this.settle(command.do === 'stow'));
    }
  }

  /** The driver is gone: hold at once. */
  linkLost(): void {
    this.stopFor('link lost');
  }

  private move(action: Action, then: () => void): Answer {
    const next = TRANSITIONS[this.state][action];
    if ('refused' in next) return { ok: false, code: next.refused, text: next.text };
    this.state = next.to;
    this.why = '';
    then();
    this.tell();
    return { ok: true };
  }

  private arm(program: Program): void {
    this.program = program;
    this.thrown = 0;
    this.listedAt = 0;
    this.feedsAfterArming = false;
    this.spinUp();
  }

  /** From the next release on; a ball that has a wait of its own keeps it. */
  private pace(id: string, intervalS: number): Answer {
    const { program } = this;
    if (!program) return { ok: false, code: 'nothing-armed', text: 'Nothing is armed: arm a rung first.' };
    if (program.id !== id) return { ok: false, code: 'other-program', text: `It throws another round: ${program.name}.` };
    const thenS = program.thenS?.map((each) => (each === program.intervalS ? intervalS : each));
    this.program = { ...program, intervalS, ...(thenS && { thenS }) };
    this.tell();
    return { ok: true };
  }

  /** The balls that are left, told anew: the next one waits until it has turned to it. */
  private rest({ program: id, after, launches, thenS, firstS }: Extract<Command, { do: 'rest' }>): Answer {
    const { program } = this;
    if (!program) return { ok: false, code: 'nothing-armed', text: 'Nothing is armed: arm a rung first.' };
    if (program.id !== id) return { ok: false, code: 'other-program', text: `It throws another round: ${program.name}.` };
    if (after !== this.thrown) return { ok: false, code: 'too-late', text: 'A ball left meanwhile: look again what comes next.' };
    if (this.thrown + launches.length > MOST_BALLS) return { ok: false, code: 'cannot', text: 'These are too many balls.' };
    if (launches.length === 0) {
      this.program = { ...program, count: this.thrown };
      this.cancel();
      if (this.state === 'feeding') this.finish();
      else this.tell();
      return { ok: true };
    }
    this.program = { ...program, launches, thenS, count: this.thrown + launches.length, firstS: firstS ?? 0 };
    this.listedAt = this.thrown;
    if (this.state === 'feeding' && this.dueAtMs !== null) {
      const leftS = firstS ?? ((this.dueAtMs - this.options.clock.nowMs()) / 1000) * (this.options.timeFactor ?? 1);
      this.cancel();
      this.schedule(Math.max(leftS, this.reachS()));
    }
    this.tell();
    return { ok: true };
  }

  /** The launches as the dials really give them, when the program says where those stand. */
  private dialled(program: Program, dials: readonly DialPlace[]): Program {
    if (dials.length === 0) return program;
    const { law } = this.options;
    const sum = (moves: readonly string[]): number | null => {
      const values = dials.filter((each) => moves.includes(each.moves)).map((each) => law.value(each));
      return values.length === 0 ? null : values.reduce((total, each) => total + each, 0);
    };
    const wheels = dials.filter(({ moves }) => moves === 'wheel').length;
    const wheelSum = sum(['wheel']);
    return {
      ...program,
      launches: program.launches.map((launch) => ({
        ...launch,
        speedMps: wheelSum === null ? (sum(['speed']) ?? launch.speedMps) : wheelSum / wheels,
        elevationDeg: sum(['elevation']) ?? launch.elevationDeg + law.zeroDeg,
      })),
    };
  }

  /** Turns and spins up toward the next ball; ready, or feeding again, when done. */
  private spinUp(): void {
    this.cancel();
    this.watch();
    this.later(this.reachS(), () => {
      this.pointAtNext();
      this.state = this.feedsAfterArming ? 'feeding' : 'ready';
      if (this.feedsAfterArming) this.schedule(LEAD_S);
      this.tell();
    });
  }

  /** Seconds to point and spin for the next ball. */
  private reachS(): number {
    return reachS({ bearingDeg: this.bearingDeg, elevationDeg: this.elevationDeg, speedMps: this.wheelsMps }, this.nextLaunch());
  }

  /** Where the next ball is in the list. */
  private nextAt(): number {
    return (this.thrown - this.listedAt) % this.program!.launches.length;
  }

  private nextLaunch(): Program['launches'][number] {
    return this.program!.launches[this.nextAt()]!;
  }

  private next(): Status['next'] {
    if (!this.program || this.thrown >= this.program.count) return null;
    const { speedMps, elevationDeg, bearingDeg } = this.nextLaunch();
    return { speedMps, elevationDeg, bearingDeg };
  }

  private pointAtNext(): void {
    const launch = this.nextLaunch();
    this.bearingDeg = launch.bearingDeg;
    this.elevationDeg = launch.elevationDeg;
    this.wheelsMps = launch.speedMps;
  }

  private schedule(inS: number): void {
    this.dueAtMs = this.options.clock.nowMs() + (inS * 1000) / (this.options.timeFactor ?? 1);
    this.later(inS, () => this.release());
  }

  private release(): void {
    if (this.jamNext) {
      this.jamNext = false;
      this.enterFault('jam');
      return;
    }
    if (this.hopper === 0) {
      this.feedsAfterArming = true;
      this.stopFor('hopper empty');
      return;
    }
    this.pointAtNext();
    const feed = this.nextAt();
    this.thrown++;
    if (this.misfeedNext) {
      this.misfeedNext = false;
      this.options.emit({ event: 'misfeed', seq: this.thrown });
    } else {
      this.hopper--;
      this.battery -= BATTERY_PER_BALL;
      this.options.emit({ event: 'release', seq: this.thrown, feed, launch: this.scatter(this.program!.launches[feed]!) });
    }
    if (this.thrown >= this.program!.count) {
      this.finish();
      return;
    }
    // a turn that takes longer than the interval delays the ball
    this.schedule(Math.max(this.program!.thenS?.[feed] ?? this.program!.intervalS, this.reachS()));
    this.tell();
  }

  /** All balls of the program have left: it is ready for the next round. */
  private finish(): void {
    this.dueAtMs = null;
    this.feedsAfterArming = false;
    this.state = 'ready';
    const { count } = this.program!;
    this.thrown = 0;
    this.listedAt = 0;
    this.options.emit({ ...this.status(), thrown: count, next: null });
  }

  /** The launch as this machine really gives it: normal scatter about what was set. */
  private scatter(launch: Program['launches'][number]): Program['launches'][number] {
    const { speedPct, elevationDeg, bearingDeg, spinPct } = this.options.profile.repeatability;
    const spin = 1 + (spinPct / 100) * this.normal();
    return {
      ...launch,
      speedMps: Math.max(0.5, launch.speedMps * (1 + (speedPct / 100) * this.normal())),
      elevationDeg: launch.elevationDeg + elevationDeg * this.normal(),
      bearingDeg: launch.bearingDeg + bearingDeg * this.normal(),
      topspinRpm: launch.topspinRpm * spin,
      sidespinRpm: launch.sidespinRpm * spin,
    };
  }

  /** Standard normal by Box and Muller. */
  private normal(): number {
    const { random } = this.options;
    return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  }

  /** Hold and stow: no ball leaves any more. @param away also turns away and stops the wheels */
  private settle(away: boolean): void {
    this.feedsAfterArming =
      this.state === 'held' && this.program !== null && (this.thrown > 0 || this.dueAtMs !== null || this.feedsAfterArming);
    this.cancel();
    this.dueAtMs = null;
    if (!away && this.state !== 'idle') return;
    this.wheelsMps = 0;
    this.feedsAfterArming = false;
    this.cancelWatchdog?.();
    if (away) Object.assign(this, STOWED);
  }

  private stopFor(why: string): void {
    if (!LIVE_STATES.includes(this.state)) return;
    this.state = 'held';
    this.settle(false);
    this.wheelsMps = 0;
    this.why = why;
    this.tell();
  }

  private enterFault(why: string): void {
    this.cancel();
    this.cancelWatchdog?.();
    this.dueAtMs = null;
    this.wheelsMps = 0;
    this.feedsAfterArming = false;
    this.state = 'fault';
    this.why = why;
    this.tell();
  }

  private simulate(fault: Fault): Answer {
    if (fault === 'jam') this.jamNext = true;
    else if (fault === 'misfeed') this.misfeedNext = true;
    else if (fault === 'flat-battery') {
      this.battery = 0;
      this.enterFault('battery flat');
    } else return { ok: false, code: 'cannot', text: 'The link does that, not the machine.' };
    return { ok: true };
  }

  private watch(): void {
    this.cancelWatchdog?.();
    const { clock, patienceMs = 0 } = this.options;
    this.cancelWatchdog = afterListening(clock, Math.max(HEARTBEAT_LOST_MS, patienceMs), () => this.stopFor('no heartbeat'));
  }

  private later(seconds: number, run: () => void): void {
    this.cancelNext = this.options.clock.after((seconds * 1000) / (this.options.timeFactor ?? 1), run);
  }

  private cancel(): void {
    this.cancelNext?.();
    this.cancelNext = null;
  }

  private tell(): void {
    this.options.emit(this.status());
  }
}
