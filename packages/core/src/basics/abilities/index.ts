export { ABILITIES, ABILITY_NAMES, type Abilities, type AbilityDefinition, type AbilityName } from './abilities.ts';
