export { tearDown as default } from './testDatabase';
