/** The zone that this device's clock is set to. */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
