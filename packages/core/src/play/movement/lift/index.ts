export { lift, USUAL_LIFT, type LiftMotion, type LiftOwn } from './lift.ts';
