import { createSpotlight } from '@mantine/spotlight';

/** Whether the palette stands open, and what opens it. */
export const [paletteStore, palette] = createSpotlight();
