/**
 * What a dial does, as a curve that can only rise (or only fall): over the share u ∈ [0, 1] of the scale the slope is exp(g(u)), with g drawn
 * straight between five evenly spaced knots. So it is monotone whatever the data, bends where they ask for it, and is unsure where there are none.
 * `params` = [value in the middle of the scale, g at each knot], in the unit of what the dial moves (m/s, °, rpm, s).
 */
export const KNOTS = 5;
/** How many parameters a curve has. */
export const CURVE_PARAMS = KNOTS + 1;
