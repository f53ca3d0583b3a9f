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
  'measureSays.scale': 'Kitchen scale',
  'measureSays.scale.sub': 'within a hundredth or two',
  'measureSays.level spoons': 'Level spoons',
  'measureSays.level spoons.sub': 'a tenth either way',
  'measureSays.rounded spoons': 'Spoons as they come',
  'measureSays.rounded spoons.sub': 'a fifth either way, and fuller than level',
  'measureSays.heaped spoons': 'Heaped spoons',
  'measureSays.heaped spoons.sub': 'two thirds more than level, and as unsure',
};
