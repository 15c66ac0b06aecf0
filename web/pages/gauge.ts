/** Points as a gauge shows them. */
import type { PointSummary } from '../../contract/register/machines.ts';
import type { GaugeMark } from '../strip/StripGauge.vue';

export const gaugeOf = (
  points: readonly Pick<PointSummary, 'mark' | 'kind' | 'name' | 'safetyCritical'>[],
): GaugeMark[] => points.map(({ mark, kind, name, safetyCritical }) => ({ ...mark, kind, name, safetyCritical }));
