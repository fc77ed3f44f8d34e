export { density, GRAVITY, kinematicViscosity } from './water';
