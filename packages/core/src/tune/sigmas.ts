/** How well a spot is known, 1 σ in m. Our own figures, common practice, no source. */
export const MARK_SIGMA_M = { eye: 0.3, measured: 0.05 } as const;
/** Two touches on a stopwatch, s: common practice, no source. */
export const STOPWATCH_SIGMA_S = 0.1;
/** A hand-held radar gun, m/s (about ½ mph): common practice, no source. */
export const RADAR_SIGMA_MPS = 0.22;
/** How well an elevation is known, 1 σ in °: by a level or a phone laid on the barrel, off the machine's own scale (whose zero is rarely checked), by eye. */
export const ELEVATION_SIGMA_DEG = { level: 0.2, scale: 1.5, eye: 2 } as const;
