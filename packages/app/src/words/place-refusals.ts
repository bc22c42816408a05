/** Why the server did not take a place; what was written is still here. */
export const placeRefusals = {
  'place.under_itself': 'The place would lie under itself.',
  'place.above_unknown': 'The place above it is not in the register.',
  'place.above_closed': 'The place above it is closed.',
  'place.too_deep': 'It would lie too deep within other places.',
  'place.no_altitude': 'A site has to say how high it lies.',
  'place.name_taken': 'The place above has one of this name already.',
  'place.has_places': 'Other places lie in it that are still used.',
  'place.has_valves': 'Valves that are in use belong to it.',
};
