export { techniqueKinds, type Technique, type TechniqueKind } from './technique.ts';
export { broaderOf, fittingTechniques, techniqueNamed, techniques, techniquesByLetters, techniquesIn, type Named } from './techniques.ts';
