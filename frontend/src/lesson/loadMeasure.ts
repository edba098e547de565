/** The entry of a measured number, with its parts, when one is needed or there is time. */
export const loadMeasure = () => import('./MeasureEntry');
