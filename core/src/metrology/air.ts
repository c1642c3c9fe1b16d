/** Dynamic viscosity of air at about 20 °C, Pa·s. */
export const airViscosity = 1.81e-5;
