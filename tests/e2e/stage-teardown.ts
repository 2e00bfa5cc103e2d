export { tearDown as default } from './stage-setup';
