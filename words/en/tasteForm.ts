/** What `TasteForm` of the plan says alone: it is fetched with it. */
export const tasteForm = {
  'planRoom.ofTheFinishedDish': '{{sweetPct}} % of the finished dish',
  'planRoom.acid': '{{sourPct}} % acid',
  'planRoom.feltColdAndBesideThe': 'Felt, cold and beside the sour',
  'planRoom.beforeTasting': 'Before tasting',
  'planRoom.heldBackForTasting': 'Held back for tasting',
  'planRoom.nobodyTastesBeforeServingEverything':
    'Nobody tastes before serving: everything is weighed, nothing is held back.',
  'planRoom.ofOutOfTheTotal': '{{share}} of {{value}}, out of the total',
  'planRoom.allOfItGoesIn': 'all of it goes in weighed',
  'planRoom.tasteBeforeItThickensFrom':
    'Taste before it thickens, from under the fat. Hot tastes sweeter than it will when cold. {{taste}}',
  'planRoom.sweet': 'Sweet',
  'planRoom.sour': 'Sour',
};
