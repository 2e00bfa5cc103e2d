export const deskChecks: Readonly<Record<string, ((value: unknown) => boolean) | undefined>>;
