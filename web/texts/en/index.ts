import { authorTexts } from './author';
import { benchTexts } from './bench';
import { narrationTexts } from './narration';
import { seriesTexts } from './series';
import { stepTexts } from './step';
import { torqueTexts } from './torque';
import { tradeTexts } from './trade';
import { verifyTexts } from './verify';
import { workshopTexts } from './workshop';
import { wrenchTexts } from './wrench';

/** Every text of the interface. A second language is a second folder of this shape. */
export const en = {
  ...workshopTexts,
  ...tradeTexts,
  ...seriesTexts,
  ...authorTexts,
  ...stepTexts,
  ...benchTexts,
  ...narrationTexts,
  ...torqueTexts,
  ...wrenchTexts,
  ...verifyTexts,
};
