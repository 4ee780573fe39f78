import type { LadderDocument, Level, MachineProfile, Outcome, RungDocument, Sport, UnitSystem, Weather } from '@good-arc/core';

/** Rows as the views see them: plain JSON, moments as ISO text. */

export interface Viewer {
  clubName: string;
  altitudeM: number;
  personName: string;
  units: UnitSystem;
  theme: 'chalk' | 'dusk';
  canPlan: boolean;
}
export interface PlayerRow {
  id: string;
  name: string;
  level: Level;
  hand: 'left' | 'right';
  heightM: number;
  notes: string;
}
export interface CourtRow {
  id: string;
  name: string;
  sport: Sport;
  surfaceId: string;
  indoor: boolean;
  notes: string;
}
export interface BallRow {
  id: string;
  name: string;
  ballId: string;
  count: number;
  condition: 'new' | 'good' | 'worn';
  notes: string;
}
export interface MachineRow {
  id: string;
  name: string;
  profile: MachineProfile;
  linkAddress: string;
  notes: string;
}
export interface Kit {
  players: PlayerRow[];
  courts: CourtRow[];
  balls: BallRow[];
  machines: MachineRow[];
}
export interface RungRow {
  id: string;
  ladderId: string;
  position: number;
  document: RungDocument;
}
export interface LadderRow extends LadderDocument {
  id: string;
  rungs: RungRow[];
}
export interface ResultRow {
  id: string;
  seq: number;
  outcome: Outcome;
  speedMps: number | null;
  elevationDeg: number | null;
  bearingDeg: number | null;
  radarMps: number | null;
}
export interface RoundRow {
  id: string;
  outingId: string;
  rungId: string;
  playerId: string;
  machineId: string;
  courtId: string;
  playerName: string;
  machineName: string;
  courtName: string;
  ladderName: string;
  card: RungDocument;
  weather: Weather;
  startedAt: string;
  finishedAt: string | null;
  results: ResultRow[];
}
