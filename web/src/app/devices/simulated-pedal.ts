/** What the simulated pedal sends: a key that no keyboard has by accident, as pedals that can be set are set to. Common practice, no source. */
export const SIMULATED_PEDAL_KEY = 'F13';
