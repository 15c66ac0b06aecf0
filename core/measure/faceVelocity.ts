/**
 * How fast the air crosses a filter: airflow over the face of the frame. A dense filter in a small frame
 * starves the fan. 400 CFM a ton of cooling, about 300 ft/min at the most for one-inch pleats and 500 for deep
 * media: from memory.
 */
import type { FilterSize } from '../quantities/filterSize.ts';
import { rounded, within, type Working } from './working.ts';

const SQ_IN_PER_SQ_FT = 144;
export const CFM_PER_TON = 400;
/** Fastest face velocity by depth, ft/min. */
const CEILING_FPM = { thin: 300, deep: 500 } as const;
const DEEP_IN = 4;

/** Gross face, square inches. */
export const faceSqIn = ({ widthIn, heightIn }: FilterSize): number => widthIn * heightIn;

/** @param airflowCfm 50 to 10,000 */
export function faceWorking(size: FilterSize, airflowCfm: number): Working & { readonly velocityFpm: number } {
  within('airflowCfm', airflowCfm, 50, 10_000);
  const area = faceSqIn(size);
  const velocityFpm = airflowCfm / (area / SQ_IN_PER_SQ_FT);
  const ceiling = size.depthIn >= DEEP_IN ? CEILING_FPM.deep : CEILING_FPM.thin;
  return {
    velocityFpm,
    terms: [
      {
        key: 'face.area',
        values: {
          sqIn: rounded(area),
          sqFt: rounded(area / SQ_IN_PER_SQ_FT, 3),
          width: size.widthIn,
          height: size.heightIn,
        },
      },
      { key: 'face.flow', values: { cfm: airflowCfm, tons: rounded(airflowCfm / CFM_PER_TON, 2) } },
      { key: 'face.velocity', values: { fpm: Math.round(velocityFpm), ms: rounded(velocityFpm * 0.00508, 2) } },
    ],
    limits: [
      {
        key: size.depthIn >= DEEP_IN ? 'face.deep' : 'face.thin',
        met: velocityFpm <= ceiling,
        values: { fpm: ceiling, wanted: rounded((airflowCfm / ceiling) * SQ_IN_PER_SQ_FT, 0) },
      },
    ],
  };
}
