/** Coefficients of Dormand and Prince's pair of orders 5 and 4 (J. Comput. Appl. Math. 6 (1980) 19; quoted from memory). */
export const A61 = 9017 / 3168;
export const A62 = -355 / 33;
export const A63 = 46732 / 5247;
export const A64 = 49 / 176;
export const A65 = -5103 / 18656;
export const B1 = 35 / 384;
export const B3 = 500 / 1113;
export const B4 = 125 / 192;
export const B5 = -2187 / 6784;
export const B6 = 11 / 84;
/** Weights of the position: b(1 − c). */
export const P3 = B3 * 0.7;
export const P4 = B4 * 0.2;
export const P5 = B5 / 9;
/** Order 5 less order 4. */
export const E1 = 71 / 57600;
export const E3 = -71 / 16695;
export const E4 = 71 / 1920;
export const E5 = -17253 / 339200;
export const E6 = 22 / 525;
