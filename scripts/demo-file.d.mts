export const DEMO_MARK: number;
export function isDemo(database: string): boolean;
