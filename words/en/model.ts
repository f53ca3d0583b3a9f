/** What the model says of a plan: what may go wrong and why, what to be careful of, what its doubt comes from. */
export const model = {
  'model.noLiquid': 'the pot holds no liquid; there should be some milk or water in it',
  'model.unexpected': 'something went wrong in the model',
  'lumps.none': 'nothing dry meets anything hot',
  'lumps.cold slurry': 'the slurry meets hot liquid',
  'lumps.cold together': 'starch settles while it heats',
  'lumps.mixed with sugar': 'sugar keeps the grains apart for a moment',
  'lumps.in cold cream or yolks': 'it goes in wet and cold',
  'lumps.dry rain': 'dry grain meets hot liquid',
  'lumps.dry powder': 'dry starch seals before it wets',
  'lumps.fat-coated': 'fat keeps the grains apart',
  'lumps.hot liquid onto meal': 'hot liquid onto dry meal',

  'risk.noEgg': 'no egg',
  'risk.edge': 'the edge reaches {{edgeC, temp}}',
  'risk.edgeNoBath': 'the edge reaches {{edgeC, temp}} without a water bath',
  'risk.eggBare': 'the egg reaches {{hottestC, temp}} with no starch to protect it',
  'risk.eggWithStarch':
    'the egg reaches {{hottestC, temp}} with {{starchPct, decimal}} % of cooked starch to protect it',
  'risk.floor': 'the floor reaches {{floorC, temp}}',
  'risk.floorUnderMilk': 'the floor reaches {{floorC, temp}} under milk',
  'risk.sugarKeepsRaw': 'so much sugar keeps it from cooking',
  'risk.grainThirsty': 'the grain has not taken its water',
  'risk.hottest': 'it reaches {{hottestC, temp}}',
  'risk.steam': 'steam against {{heightMm, length}} of pan',
  'risk.flakes': 'cream dries at the sides and comes back as flakes',
  'risk.covered': 'covered',
  'risk.open': 'it stands open',
  'risk.weeps': 'about {{weepsPct, decimal}} % in three days',
  'risk.ph': 'acidity pH {{ph, decimal}}',

  'doubt.starch': 'measuring the starch',
  'doubt.milk': 'measuring the milk',
  'doubt.hob': 'the hob',
  'doubt.grind': 'the grind',
  'doubt.variety': 'which grain it is',
  'doubt.steam': 'steam lost',
  'doubt.model': 'the model of the set',

  'coolingRule.two stages':
    'from {{fromC, temp}} to {{toC, temp}} within 2 hours, and to {{thenC, temp}} within 4 more',
  'coolingRule.ninety minutes': 'from {{fromC, temp}} to {{toC, temp}} within 90 minutes',
  'coolingRule.two hours': 'from {{fromC, temp}} to {{toC, temp}} within 2 hours',

  'dayCaution.slow':
    '{{dish}} cools too slowly for the usual rule ({{rule}}): shallower dishes, or ice and water first.',
  'dayCaution.room': '{{dish}} stands {{roomMin, whole}} min in the room: two hours are the usual limit.',
  'dayCaution.warm':
    '{{dish}} is kept above {{warmC, temp}} until it is served, or goes cold quickly: lukewarm for hours is not safe.',
  'dayCaution.notSet': '{{dish}} is not set within its wait, by the model: look at the plan again.',

  'caution.egg':
    'Not surely safe: the usual guidance for egg is {{safeC, temp}}. Cook it hotter or use pasteurised egg. Local food-safety rules come first.',
  'caution.egg-ok':
    'Egg: Hot enough for long enough by this model; the usual guidance is {{safeC, temp}}. Local food-safety rules come first.',
  'caution.pan': 'The pan is more than two thirds full. Milk climbs to the rim in seconds: take a bigger one.',
  'caution.boil-over': 'On this setting it foams towards the rim. Turn down before the boil, or take a higher pan.',
  'caution.dish': 'The dishes hold {{holdsMl, ml}} and {{comesMl, ml}} come. Take one more dish or make less.',
  'caution.no-bubble': 'It never bubbles on this setting within an hour and a half. Turn the ring up or use a lid.',
  'caution.not-there':
    'It does not get hot enough to thicken in its time. More fire under the water or the pan, a lid, or a thinner bowl.',
  'caution.turn-up':
    'On {{from, whole}} it gets nowhere: after {{afterMin, whole}} min turn the ring up, at last to {{to, whole}}. The minutes count on it.',
  'caution.grain-hard': 'The grain does not get soft in the time. Soak it, give it more liquid, or cook it longer.',
  'caution.burnt-dry': 'It boils dry and burns. Less heat, a lid, or more liquid.',
  'caution.dry':
    'More than half of it boils away before it is done. Turn the ring down, cook shorter, or use a narrower pan.',
  'caution.raw': 'Some starch stays raw and tastes of it. Cook on longer after the bubble.',
  'caution.curdle': 'The egg may curdle: {{why}}. Stop lower, stir more, or add starch first.',
  'caution.amylase': 'Yolk keeps an enzyme that eats starch unless it is boiled a minute: this thins overnight.',
  'caution.scorch': 'The floor will catch and the taste goes through everything. Stir more often or turn down.',
  'caution.film': 'A film sticks to the floor. Stir more often or turn down, and do not scrape it up.',
  'caution.split': 'Sour fruit splits milk. Stir it in off the heat, into the thickened pot, or sweeten it first.',
  'caution.sugar': 'So much sugar keeps the starch from cooking. Hold part of it back until it has thickened.',
  'caution.stand': 'Turned out it will slump. More starch, a lower mould, or serve it in its dish.',
  'caution.cooling':
    'The middle cools too slowly for the usual rule ({{rule}}). Pour it shallower, into smaller dishes, or leave less time in the room. Local food-safety rules come first.',
  'caution.keep_one': 'Keeps about a day in the fridge, covered and dated.',
  'caution.still-warm':
    'By then its middle is still at {{nowC, temp}}, not {{wantedC, temp}}: give it longer, a shallower dish, or eat it warm.',
  'caution.keep_other': 'Keeps about {{count}} days in the fridge, covered and dated.',
  'caution.thin-milk': 'This milk sets softer than dairy. Chill a spoonful on a plate before you pour.',
  'caution.coconut': 'Coconut fat is soft above {{softC, temp}}: serve it straight from the fridge.',
  'caution.lumps': 'Lumps {{tenths, whole}} times in 10: {{why}}. Let it cool a little first, or wet the starch cold.',
  'caution.whole-spice': 'Count whole spices in and out before it thickens: forgotten, they can choke a small child.',
  'caution.alcohol': 'Holds alcohol; part of it stays.',
  'caution.substitute': 'Sugar substitutes and diabetes: ask a professional.',
  'caution.oven': 'A hot dish and a water bath: dry cloths, slow steps. Cold glass and hot filling do not meet.',
  'caution.choke': 'Nuts and pieces are a choking hazard for small children.',
  'caution.hot': 'Hot starch paste sticks to skin and burns. Keep children from the hob.',
} as const;
