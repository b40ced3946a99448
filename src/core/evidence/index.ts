// From looks to verdicts, chances, corrections and forecasts.
export * from './believe';
export * from './beta';
export * from './calibration';
export * from './chance';
export * from './counts';
export * from './focus';
export * from './forecast';
export * from './growth';
export * from './looks';
export * from './nextLooks';
export * from './posterior';
export * from './reader';
export * from './readiness';
export * from './shown';
export * from './stick';
export * from './verdict';
export * from './window';
