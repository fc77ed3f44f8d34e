export { wire, type Wired } from './wired';
export { floatsAt, happens, outcomesOf, type Posture, postureProblems, stand, standing } from './posture';
