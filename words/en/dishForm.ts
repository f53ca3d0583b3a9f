/** What `DishForm` of the plan says alone: it is fetched with it. */
export const dishForm = {
  'planRoom.tooMuch': '{{overMl}} too much',
  'planRoom.fullMmDeep': '{{fillRel}} % full, {{depthMm}} deep',
  'planRoom.ofTheseWouldDo': '; {{dishesNeeded}} of these would do',
  'planRoom.portionsOf': '{{portions}} portions of {{portionG}}{{do}}.',
  'planRoom.take': 'Take {{dishesNeeded}}',
  'planRoom.cutByPieces': 'Cut {{columns}} by {{rows}}: {{pieces}} pieces',
  'planRoom.cutIntoWedges': 'Cut into {{pieces}} wedges',
  'planRoom.piecesOfMm': '{{columns}} × {{rows}}: {{pieces}} pieces of {{pieceMm}} × {{pieceMm2}}',
  'planRoom.wedgesMmAtTheRim': '{{pieces}} wedges, {{rimMm}} at the rim',
  'planRoom.paperToLineItWith': 'Paper to line it with',
  'planRoom.mmHigh': '{{capacityMl}}, {{heightMm}} high, {{wall}}',
  'planRoom.aDishOfMyOwn': 'A dish of my own',
  'planRoom.forget': 'Forget {{nowName}}',
  'planRoom.howMany': 'How many',
  'planRoom.eachHolds': 'Each holds',
  'planRoom.height': 'Height',
  'planRoom.wall': 'Wall',
  'planRoom.coldGlassCanCrackUnder':
    'Cold glass can crack under a hot filling. Warm it first, and ask its maker whether it takes heat.',
  'planRoom.makeEnoughToFillThem': 'Make enough to fill them',
};
