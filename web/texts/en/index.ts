import { authorTexts } from './author';
import { benchTexts } from './bench';
import { deviceTexts } from './devices';
import { narrationTexts } from './narration';
import { seriesTexts } from './series';
import { stepTexts } from './step';
import { torqueTexts } from './torque';
import { tradeTexts } from './trade';
import { verifyTexts } from './verify';
import { workshopTexts } from './workshop';

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
  ...deviceTexts,
  ...verifyTexts,
};
