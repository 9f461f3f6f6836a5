/** What a photo of the plate is of: the one thing of a unit that no diagram has. */
export const PLATE = 'plate';
