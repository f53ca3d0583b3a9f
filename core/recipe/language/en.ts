import type { Lexicon } from './lexicon';

/** English, as cooks of many places write it. */
export const EN: Lexicon = {
  deeds: {
    put: '(?:stir|whisk|beat|mix)(?:red|ed)? (?:it|them|this|that|these) (?:all )?in(?! (?:the|a|with)\\b)|add(?:s|ed|ing)?|strew down|spill(?:s|ed)?(?: in)?|lay down|stirred down|goes? into|bung|plonk|whack|sling|pop(?:ped)?|dollop|put(?:s|ting)?(?: (?:it|them|the \\w+))? on(?= with|$|,|\\.| to | over )|put(?:s|ting)?|tip(?:s|ped|ping)?|drop(?:s|ped)?|throw(?:s|n)?(?! (?:that|the|this|away|out|it away))|scrape(?:s|d)?(?= (?:it|them|all|everything|down|the (?:eggs?|yolks?|bowl|jug|cup|rest|lot|paste|mixture)))|empt(?:y|ies|ied)|stir(?:red)? in|whisk(?:ed)? in|beat in|mix(?:ed)? in|goes|go|comes? in|in goes|join(?:s)?|place(?:s|d)?|set(?= (?:the|it|over|on|a))|stand(?:s)?(?= (?:the|it|in|on|over|this))|lay|set(?= .{1,30} on\\b)|lower(?! the)|slide|return(?:s|ed)?|chuck(?:s|ed)?|dump(?:ed)?|melt(?:ed)?|measure(?:d)?|load|follow(?:s|ed)? with|work in|incorporate(?:d)?|shak(?:e|ing) (?:it |them )?in|let(?:ting)? (?:it|them) run (?:in|into)|run(?=s? (?:it|them|the \\w+) (?:in|into))|ease|blend(?:ed)? in|flavou?r(?= (?:it |this |to taste )?with)|season(?= (?:it |this )?with)|swirl(?: in)|crack in|sweeten(?= (?:it |this |to taste )?with)|dot(?= (?:it |the top )?with)',
    pour: 'pour(?:s|ed|ing)?|ladle(?:s|d)?(?= (?:the|it|this|into|onto|over|some|in|out|half|a|hot))|spoon(?:s|ed)?(?= (?:the|it|this|into|onto|over|some|in|out|half|a))|decant(?:ed)?|divide(?:s|d)?(?= (?:the|it|this|among|between|into))|fill(?:s|ed)?|transfer(?:s|red)?|turn (?:it )?(?:all )?into|share(?:d)? (?:out|between|among)|distribute(?:d)?|tip (?:it )?out|trickle(?:d|s)?|stream|dribble(?:d|s)?|drizzle(?:d|s)?|spread(?:s)?',
    blend:
      'blend(?:s|ed)?(?= (?:the nuts|with|them|it (?:all|smooth|until)|until|for|on|everything|all))|liquidi[sz]e(?:d)?|blitz(?:ed)?|whizz(?:ed)?|pur[ée]e(?= (?:the|it|them))',
    mix: 'beat(?:s|en)?|whisk(?:s|ed)?|mix(?:es|ed)?|combine(?:s|d)?|cream(?= (?:the|together|\\w+ (?:and|with)))|rub(?:bed)?(?! (?:with (?:butter|oil)|the (?:dish|tin|tray)))|blend(?:s|ed)?(?! (?:of|in))|stir(?:red)?(?= (?:the|\\w+ and|\\w+ with|\\w+ into|\\d(?!\\d* ?(?:min|sec|hour))|together|half|a few|some|with))|slake(?:d)?|dissolve(?:s|d)?|undo|let down|loosen|make (?:a|up a) (?:smooth )?(?:paste|slurry)|work(?:ed)?|opened|open(?= the (?:flour|starch|cornflour))|toss|wet(?= the)',
    rain: 'rain(?:s|ed|ing)?(?: in)?|sprinkle(?:s|d)? in|strew(?:n)?|shower(?: in)?|scatter(?:ed)? in|let .{1,30}? rain in|sift(?:ed)?(?= (?:in|into|over))',
    fold: 'fold(?:s|ed|ing)?(?: in| through| under)?|lift (?:it|this|them|the \\w+) (?:loosely |carefully |gently )?(?:under|in|through)',
    back: 'back (?:in|into|on|to|onto)|(?:goes|go|put|pour|tip|scrape|send)(?: it)?(?: all)? back',
    heat: '(?<!(?:the|reduce|lower|raise|increase|low|medium|high|gentle|moderate|of|lowest|full|off|a|from) )heat(?:s|ed)?(?! (?:is|to|off|on|up to|down)|proof)|warm(?:s|ed)?(?= (?:the|it|up|this|through|gently|until|half|an?|all|some|most|one|two|three|your|my|\\w+ (?:with|in|and|until)|\\d))|scald(?:s|ed)?|reheat|light (?:it|the|under)|get (?:it|the \\w+) (?:good and |really |nice and )?hot|rewarm',
    boil: '(?<!(?:the|a|to|first|rolling|full|gentle|it|that|they|once|quick|good|not|must|may|should|can|will|would|never|thickens and|thick and|thickened and|bubbles and) )boil(?:s|ed)?(?! (?:away|dry|over))|bubble(?:s)?(?= (?:for|it|gently|\\d|a|away|one|two))|let .{1,16}? (?:boil|bubble)(?= )|blip',
    simmer: 'simmer(?:s|ed|ing)?(?! (?:point))|let .{1,16}? (?:simmer|tremble)|poach',
    bring:
      '(?<= )on to (?:the )?(?:boil|heat)|boil-up|give (?:it )?a boil-up|boil up|bring(?:s)?|brought|come(?:s)?(?= (?:back )?(?:to|up to))|get(?:s)?(?= it (?:to|boiling))|take(?= it to (?:the|a) boil)',
    cook: 'microwave(?:s|d)?(?= |,|$)|zap(?:ped)?|nuke|cook(?:s|ed)?(?= |,|$)|let (?:it|this|them|everything) (?:go|drink|thicken|cook|tick|putter|blip|plop)|keep (?:it )?going|go on|carry on|thicken(?= (?:it|the|over|on))|give (?:it|them|this)(?= .{1,24}(?:min|hour|more|longer|boil))|count|reduce(?:s|d)?(?= (?:it|the|over|by|to|until|for|gently))|leave (?:it )?(?:to (?:cook|simmer|tick)|ticking|simmering|cooking)',
    fry: 'fr(?:y|ies|ied)(?! in)|toast(?:s|ed)?(?= (?:the|it|them|in|for|until|gently))|roast(?:s)?|brown(?= the)|caramelis?ze|caramelise',
    stir: 'stir(?:s|red|ring)?|whisking|beating(?= (?!every|now|often|well|constantly|occasionally|from|all))|keep (?:stirring|whisking|moving|beating)|mov(?:e|ing)(?= (?:it|constantly|all|always|without|often|with))',
    turn: 'turn(?:s|ed)?(?= (?:the (?:heat|fire|flame|ring|gas|hob|burner)|it (?:down|up|low)|down|up (?:the|to)|to (?:low|medium|the)))|lower(?:s)?(?= the (?:heat|fire|flame))|reduce(?= (?:the )?(?:heat|fire|flame))|raise(?= the)|drop the (?:heat|flame)',
    off: '(?:take(?:s|n)?|pull|lift(?:ed)?|slide|draw) (?:it |the (?:pan|pot) |the saucepan |the bowl )?(?:off|from)(?: the (?:heat|fire|flame|hob|stove|ring|gas))?(?! the peel)|turn(?:ed)? (?:it |the (?:heat|fire|gas) )?off|switch(?:ed)? off|remove(?:d)?(?= (?:it |the (?:pan|pot) )?from (?:the )?(?:heat|fire|hob|stove|flame))|kill the heat|lift(?:ed)? (?:it |the pan )?off|pull (?:it |the pan )?off|fire off|heat off|off it comes|(?<=^|[.,;] )off(?=,|$)',
    keep: 'hold(?:s|ing)? back|held back|keep(?:s|ing)? back|kept back|reserve(?:d|s)?(?! (?:cup|milk|juice|water|cream))|set aside(?= (?:\\d+\\b(?! ?(?:min|hour|sec))|a|half|some|the))|separate(?= (?:\\d|one cup|a cup|half|some))|save(?:s|d)?|keep(?= (?:\\d|a (?:cup|glass|little|few|ladle|splash|third|quarter)|half|some|two|three|one))|hold(?= (?:\\d|a |half|some|two))',
    out: '(?<=[a-z] )out(?=[.,;]|$)|withdraw(?= the)|pick up(?= the)|(?:lift|take|fish|pull|pick)(?:s|ed)?(?= (?:the|both|all)[^.,;]{2,40}? out\\b)|throw(?=(?: away| out)? (?:that|the|this) )|take (?:them |it |the \\w+ |that )?out|fish(?:ed)? (?:out|them out|it out)|lift(?:ed)? out|pick(?:ed)? out|pull(?:ed)? out|remove(?:d|s)?|discard(?:s|ed)?|throw (?:it |them )?(?:away|out)|get rid of|(?:comes?|goes) out(?! and)|out with|out comes?|retrieve|scoop out|lose (?=the)',
    strain:
      'strain(?:s|ed)?|siev(?:e|ed)|pass(?:ed)?(?= .{0,20}(?:through|sieve))|press(?:ed)?(?= (?:it |this )?through)|put (?:it |this )?(?:all )?through a (?:sieve|strainer)|through a (?:fine )?(?:sieve|strainer)|rub through',
    soak: 'soak(?:s|ed|ing)?|steep(?:s|ed)?(?= the (?:rice|nuts|almonds|cashews))|leave .{1,20}? in (?:cold |warm )?water|cover .{1,20}? with (?:cold |warm |boiling )?water',
    rinse:
      'spread (?:it|them) (?:out )?on a (?:clean )?(?:towel|cloth|tea ?towel|plate)|swill(?:ed)?|rins(?:e|es|ed)|wash(?:es|ed)?|drain(?:s|ed)?|pat dry|dry (?:it|them)|peel(?= (?:the|and))|hull|stone(?= the)',
    grind:
      'grind(?:s)?|pulse(?:s|d)?|pound(?:s|ed)?|crush(?:es|ed)?|mill(?= (?:it|the))|blitz(?:ed)?(?= (?:the rice|it to|to))|whizz(?= (?:the rice|it to))',
    prepare:
      'weigh(?:s|ed)?(?: out)?(?= )|split(?:s)?|slit|scrape(?= (?:out|the seeds|the pod|and))|(?<=split and )scrape|grate(?:s|d)?|zest(?= the)|chop(?:ped)?|peel(?= the)|bruise|knot|separate(?= the eggs)|crack|break(?= (?:the|four|three|two|\\d))|sift(?:ed)?|preparing',
    grease:
      'greas(?:e|es|ed|ing)|butter(?:ed)?(?= (?:a|an|the|your|some|it|six|four|eight|ramekins|cups|well)\\b)|oil(?:ed)?(?= (?:a|an|the|your|some))|line(?:d)?(?= (?:a|the|it|with))|rub(?:bed)?(?= (?:the (?:dish|tin|mould|tray)|a (?:dish|tin)|with (?:butter|oil|a butter)|it with))|smear(?:ed)?|brush(?:ed)?(?= (?:a|the|with))',
    preheat:
      'pre-?heat(?:s|ed|ing)?|heat (?:the|your) oven|oven (?:on|to|at)|set (?:it|the oven) (?:to|at)|light (?:it|the oven)|turn (?:on )?the oven (?:on|to)',
    bake: 'bak(?:e|es|ed|ing)(?! (?:dish|tin|tray|pan|paper|sheet|powder))|(?:in|into) (?:the|a) (?:\\w+ )?oven|oven(?= \\d)',
    grill: 'grill(?:s|ed)?(?! pan)|broil(?:s|ed)?|under (?:the|a) (?:hot )?(?:grill|broiler)|torch',
    cool: 'cool(?:s|ed|ing)?(?: down| off)?(?! (?:place|bowl|water|milk|enough))|let .{1,20}? (?:cool|get (?:quite )?cold|come to room)|go(?:es)? cold',
    chill:
      '(?<!(?:or|hot|warm|well|served|serve|thoroughly|nicely) )chill(?:s|ed|ing)?|refrigerat(?:e|es|ed)|(?<=[.,;] |^|then |and )fridge(?= |,|$)',
    freeze: 'freez(?:e|es|ing)|frozen',
    leave:
      'leave(?:s)?|let(?= (?:it|them|the|this|stand|rest|sit))|stand(?:s)?(?= (?:for|\\d|covered|until|on))|rest(?:s)?(?= (?:for|\\d|covered|it))|sit(?:s)?(?= (?:for|\\d|covered|on))|infuse(?:s|d)?|draw(?= |$)|steep(?:s)?|set aside(?= (?:for |\\d+ ?(?:min|hour)))|set(?= (?:for|aside|until|\\d|overnight))|wait',
    serve:
      'serve(?:d|s)?(?! \\d)|get (?:it|them) eaten|dish (?:it|them)? ?up|have it(?= (?:hot|warm|cold))|eat(?:s|en)?|bring (?:it|them) to (?:the )?table|carry (?:it|them) in|to the table|plate up|hand round|offer|enjoy',
    top: 'dust(?:s|ed)?|sprinkle(?:s|d)?(?! in)|scatter(?:s|ed)?(?! in)|garnish(?:ed)?|decorate(?:d)?|finish(?= (?:with|it|by|each))|top(?:ped)?(?= (?:with|each|it|them))|powder(?:ed)?(?= (?:it|with))|strew(?= (?:it|over|the))|stripe(?:s)? of|crown|grate(?= .{3,20} (?:over|on))|shake .{3,25} (?:over|on)(?= )',
    cut: 'cut(?=\\.|$)|cut(?:s|ting)?(?= (?:it|in|into|up|the slab|with|when|once|out|squares|diamonds|\\w+ squares))|slic(?:e|es|ed)(?! of)|portion (?:it|into)',
    unmould:
      'turn(?:ed|s)? (?:it |them |the \\w+ )?out|unmou?ld(?:ed|s)?|invert(?:ed)?|flip(?:ped)?|tip (?:it |them )?out onto a plate|upend|turn (?:it|them) (?:upside down|over)|over (?:it goes|they go)|plate on top|shake out',
    whip: 'whip(?:s|ped)?|whisk(?= the (?:egg )?whites)|beat(?= the (?:egg )?whites)',
    cover:
      'cover(?:s)?(?! (?:the rice|with (?:cold|warm|water)))|press(?= (?:film|paper|a|cling|baking|wet|it onto|greaseproof))|lay(?= (?:a wet|film|paper|cling|a piece))|lid(?= (?:on|off|ajar))|(?:film|paper|cling ?film) (?:on|right|over|touching)',
  },
  vessels: {
    pot: '(?:(?:heavy|large|big|wide|widest|deep|medium|thick-based|heavy-based|heavy-bottomed|non-?stick|clean|same|my|the|a|your|milk) ){0,4}(?:pan|pot|saucepan|casserole|kettle|dekchi|degchi|handi|karahi|kadai|kadhai|pateela|patila|caldero|cauldron|cazo|dutch oven)(?! of (?:barely |just )?(?:simmering |boiling |hot |cold )?water)',
    'other pot':
      '(?:(?:another|second|separate|small|smaller|little|other|tiny|frying|dry) ){1,3}(?:heavy |non-?stick )?(?:pan|pot|saucepan|skillet)|frying pan|skillet|wok',
    bowl: '(?:(?:heatproof|large|small|big|medium|mixing|separate|clean|another|yellow|metal|glass|basin|cold) ){0,3}(?:mixing bowl|bowl|basin|jug|pitcher|beaker|cup|mug|teacup)(?!s)(?! (?:of|and a half))',
    blender: 'blender|liquidi[sz]er|food processor|mixie',
    cups: '(?:dessert|sherbet|custard|individual|serving) dishes|coupes|(?:(?:buttered|greased|wetted|wet|rinsed|oiled|heatproof|custard|small|little|four|five|six|eight|ten|twelve|individual|serving|pretty|tea|coffee|\\d+) ){0,3}(?:glasses|cups|ramekins|ramekin dishes|custard cups|tumblers|verrines|jars|pots|teacups|glass)(?! of| ?\\([^)]*\\) of)',
    moulds:
      '(?:(?:small|little|four|six|eight|individual|wetted|wet|rinsed|\\d+|oiled|popsicle|lolly) ){0,3}(?:mou?lds?|lolly makers?)',
    tray: '(?:(?:square|baking|shallow|flat|greased|rectangular|lined|deep|roasting|cake|loaf|meat|big|small|buttered|\\d+ ?(?:x|by|×) ?\\d+|cm|inch) ){0,4}(?:tray|tin|thali|slab tin)|(?:baking|square|roasting|cake|loaf|greased|lined|buttered|oiled|\\d+ ?(?:x|by|×) ?\\d+(?:[- ]?inch)?) pan',
    dish: '(?:(?:baking|oven|ovenproof|gratin|casserole|serving|shallow|deep|buttered|greased|big|large|glass|square|\\d-quart|two-quart|earthenware) ){0,4}(?:dish|dishes)',
    pie: 'pie (?:dish|plate|tin)|pudding dish',
    plates:
      '(?:(?:soup|deep|flat|shallow|dinner|big|six|four|small) ){0,3}(?:plates?|bowls)|(?:one (?:big |large )?|a (?:big |large )?)(?:shallow |wide |pretty |serving )+bowl|one (?:big|large) bowl|serving bowl|soup bowls',
    bath: '(?:meat |roasting |baking )(?:tin|pan)(?= with (?:hot )?water)|water bath|bain[- ]marie',
  },
  signs: {
    boil: '(?<!(?:almost|nearly|about|quite) )(?:full |rolling |first |gentle |just )*(?:to )?(?:the |a |on the )?(?:boil(?:s|ing)?(?! (?:away|dry|milk|water|liquid|cream|coconut|hot|pan|pot|custard|porridge))|bubbl(?:e|es|ing|y)|plop(?:s|ping|ped)?|blip(?:s)?|blubs?|erupts?|volcano(?:es)?|heaves|burps?|gurgles?|(?<=(?:until|till|when|once) it )spits?|comes up)|(?:gives|come up in) the first (?:boil|bubble)|big bubbles|rises',
    simmer:
      'simmer(?:s|ing)?|trembl(?:e|es|ing)|shiver(?:s|ing)?|ticks?|murmur(?:s)?|barely moves|lazy bubbles?|smiles?',
    steam:
      '(?<!(?:stopped|stops|stop|no longer|longer) )steam(?:s|ing|y)?|scald(?:s|ed|ing)?|small bubbles|(?:tiny|little) bubbles|smok(?:es|ing)|hot to (?:the )?touch|too hot for (?:a|your|the|my) finger|very hot|piping hot|hot (?:but )?not boiling|just (?:under|below) (?:the )?(?:boil|a simmer|boiling)|edges? (?:fizz|bubbles?)|bubbles? (?:at|round|around) the edges?|(?:almost|nearly|just about|not quite) (?:at the boil|boil(?:s|ing)|simmering|bubbling)|shimmers|skin forms',
    soft: 'soft(?: through)?|tender|cooked(?: through)?|done|squash(?:es)?|mash(?:es)? between|no bite|loses? its bite|falls? apart|gives? between|crush(?:es)? between|collapsed?|swollen|plump',
    thick:
      'thick(?!-)(?:ens|ened|en|ened up)?(?: up| enough)?|heavy|hold(?:s)? (?:a |its )?(?:trail|line|shape|soft)|mound(?:s)?|leaves? (?:a )?(?:trail|track|path|line)|leav(?:es|ing) the sides?|com(?:es|ing) away from the (?:sides?|pan|pot)|like (?:thin |thick |loose |single |double )?(?:porridge|custard|cream|yogh?urt|lava|batter|honey|mayonnaise)|falls? in (?:a )?ribbons?|whisk leaves|creamy|drops? from the spoon|saucy|stiff|dense|porridgy|gloop(?:y|s)',
    coats:
      'coats? (?:the|a|your) (?:back|spoon)(?: of (?:the|a) spoon)?|coat(?:ed|s)?(?: the)?(?: back)?(?: of)?(?: the)?(?: spoon)|(?:back of the )?spoon is (?:coated|covered)|nap(?:e|pe|pé|s)|line drawn .{0,30}(?:stays|holds)|veils? the spoon|clings? to the spoon|films the spoon|finger (?:leaves|drawn)',
    gone: 'dries(?: out| up)?|dry out|boiled? dry|cooked? dry|is dry|(?:liquid|water|milk) (?:is |has |has been )?(?:gone|absorbed|taken up|drunk|evaporated)|drink(?:s)? (?:up )?the (?:water|milk)|drunk (?:up )?(?:it|all|the)|no (?:more )?(?:water|liquid) (?:is )?left|absorb(?:s|ed)|soaked (?:it )?up|is gone|craters?|holes appear',
    dissolved:
      'dissolv(?:e|es|ed)|melts? (?:away|into)|no (?:more )?(?:grains|crunch|grit)|sugar (?:has |is )?(?:gone|melted)',
    melted: 'melt(?:s|ed)|foams?(?! over)|sizzles?',
    reduced:
      '(?:reduced?|boil(?:ed|s)? (?:away|down)|down|shrunk) (?:to|by)(?! (?:low|medium|a (?:low|gentle|bare)|the (?:lowest|low)))|(?:half|a third|two thirds|a quarter) (?:of it )?(?:is left|remains|has gone)|only .{1,15}(?:left|remains)',
    smooth:
      '(?:to|into) (?:a |an )?(?:smooth |thin |thick |stiff |fine )*(?:paste|cream|slurry)|smooth|no (?:more )?lumps|even|well (?:mixed|blended|combined)|pale|(?:light )?and fluffy|ribbon|just mixed|combined|friends',
    set: 'set(?! (?:aside|it|the|over))|firm(?: to (?:the )?touch)?|wobbl(?:e|es|y)|(?:a |the )?knife comes out clean|just set|barely set|shivers? in the middle|quiver(?:s)?',
    golden:
      'golden|brown(?:ed)?(?! sugar)|blistered|freckled|spotted|colou?r(?:ed)?(?= )|caramel(?:ised|ized)|amber|scorched|bronzed?',
    cold: 'no more than warm|(?:only |just |barely )warm|(?:quite |completely |stone )?cold|cool(?:ed)?(?: down)?|room temperature|no longer (?:hot|warm)|hand[- ]warm|lukewarm|tepid|blood[- ]warm',
    warm: 'warm',
  },
  places: {
    room: 'room(?: temperature)?|counter|table(?! ?spoon)|worktop|window ?sill|on (?:a|the) rack|larder|on the side|cool place|kitchen',
    fridge: 'fridge|refrigerator|icebox|ice-box|cellar|cold (?:store|larder|room)|somewhere cold|(?<=in )the cold',
    freezer: 'freezer|deep[- ]freeze',
    ice: '(?:ice|iced) (?:bath|water)|bowl of ice|sink of cold water|over ice|cold water bath|basin of cold water',
    oven: 'oven',
  },
  levels: {
    lowest:
      '(?:the |your )?(?:weakest|faintest|smallest|gentlest|tiniest) (?:heat|flame|fire|ring)|(?:the )?(?:very )?lowest(?: (?:heat|flame|fire|ring|possible))?|(?:a |your )?(?:very|really) low(?: (?:heat|flame|fire))?|smallest (?:ring|flame|burner)|tiniest flame|barely on|as low as (?:it|the \\w+) (?:will go|goes|can)|a whisper of (?:heat|flame)|(?:very|really) gentle (?:heat|flame)',
    low: 'weakly|boil weakly|low(?:er|ish)?(?: (?:heat|flame|fire|ring|gas))?(?!-fat| fat)|(?<!very |really )gentle(?: (?:heat|flame|fire))|slow(?: (?:heat|flame|fire))|small (?:flame|fire|ring)|soft fire|turn (?:it |the (?:heat|fire|flame) )?(?:right )?down|on low|little flame|gently(?= (?:heat|cook|bring|warm))|(?:heat|fire|flame|gas) (?:right )?down',
    'medium low':
      'medium[- ]low(?: (?:heat|flame))?|low[- ]to[- ]medium|low to medium(?: heat)?|lowish medium|medium to low|fairly low',
    medium:
      'med(?:ium|\\.)?(?: (?:heat|flame|fire|hob|ring|gas))?(?! (?:bowl|pan|saucepan|egg|mixing|[a-z]*sized|pot|sized|grain|polenta|cornmeal|tray|lemon|size))|moderate (?:heat|fire|flame)|middl(?:e|ing) (?:heat|flame|ring)',
    'medium high': 'medium[- ]high(?: (?:heat|flame))?|fairly high|brisk(?:ly)?(?: (?:heat|fire))?',
    high: 'high(?:est)?(?: (?:heat|flame|fire|ring))?(?! protein)|full(?: (?:heat|flame|power|blast|gas))|strong(?: (?:heat|flame|fire))|quick fire|hot ring|flat out',
  },
  lids: {
    ajar: 'cover(?:ed)? (?:partially|partly|halfway)|(?:partially|partly|half) cover(?: the (?:pan|pot))?|(?:lid |cover )?(?:half |partly |partially |slightly |just )*(?:ajar|half on|half off|tilted|propped|half[- ]covered|partly covered|partially covered)|lid (?:a bit |slightly )?(?:open|crooked|askew)|spoon under the lid',
    off: '(?:open|remove|take off|lift) the (?:cover|lid)|(?:no |without (?:a |the )?)lid|lid off|uncover(?:ed)?|un-?lidded|open pan|take the lid off|lift the lid',
    on: 'under (?:the )?lid|covered(?= (?:until|for|on|over|\\d|about|and|at|,|\\.))|lid on|(?:with )?(?:the |a )?(?:tight )?lid (?:on|over)|put(?:s|ting)? (?:on )?(?:the|a|its) lid(?: on)?|(?:clap|pop|put|set) the lid on|cover(?:ed)?(?= (?:and|at|it and|the pan|the pot|tightly|cook|simmer|over|with (?:a|the) lid|on low)|,|\\.)|under (?:a|the) lid|lidded',
  },
  stirring: {
    'all the time':
      "whisk whole time|(?:whole|entire) time|like mad|(?:while|as) you stir|nonstop|(?:stir|whisk|mov|beat)(?:ring|king|ing)? (?:it )?(?:all the (?:time|while|way)|constantly|continuously|continually|always|without (?:a )?(?:stop(?:ping)?|break|pause|pausing|rest|cease|ceasing)|non-?stop|steadily|for dear life|round and round|the whole time)|keep (?:stirring|whisking|beating|moving)|(?:constantly|continuously|always|never stop(?:ping)?|all the while|without (?:a )?(?:stop(?:ping)?|break|pause)) ?(?:stirring|whisking|beating|moving)?|(?:stir|whisk|moving).{0,40}without (?:a )?(?:break|stopping|pause)|never (?:leave|stop)|do(?: not|n't) stop (?:stirring|whisking|moving)|don't leave it|from beginning to end|don't take your (?:hand|eyes?|spoon)|always moving|(?:while )?(?:stirring|whisking)(?= |,|$|\\.|;)",
    often:
      '(?:stir|whisk|mov)(?:ring|king|ing|e)? (?:it )?(?:often|frequently|regularly|most of the time|nearly all the time|every (?:minute|half (?:a )?minute|couple of min(?:ute)?s|now and again)|a lot|plenty)|(?:often|frequently|regularly) ?(?:stirring|whisking)?|often enough|a good deal',
    'now and then':
      '(?:stir|whisk|mov|beat)(?:ring|king|ing)? (?:it )?(?:now and (?:then|again)|occasionally|from time to time|every so often|once or twice|a few times|every (?:five|ten|\\d+|few|other|four|three) ?(?:minutes?|min)?|when you (?:pass|remember|think)|sometimes|at intervals)|(?:now and (?:then|again)|occasionally|from time to time|once in a while|every so often|when you pass)|go past every .{1,25} stir|(?:scraping|moving|sweeping) .{0,40}?(?:every (?:five|ten|few|other|couple of|\\d+)|now and then|from time to time|occasionally)(?: minutes?| mins?)?|a turn every .{1,20}minutes?|an occasional stir|a stir (?:now and then|when|every)',
    none: "keep the (?:fingers|hands) (?:away|off)|does not stir|(?:do not|don't|never|without|no) stir(?:ring)?|leave (?:it )?(?:quite )?alone|undisturbed|no need to stir",
    once: 'stir (?:it )?once|stir (?:well|round|through)|give it a stir',
  },
  contents: {
    kept: "what(?:'s| is| was) in the (?:glass|cup|bowl|jug|mug|basin)|(?:the (?:bit|part|cup|half|portion|other bit|liquid) )?(?:that |which |what )?(?:you|I|we)(?:'ve| have)? (?:kept|held back|saved|reserved|set aside|put by)|the reserved (?:liquid|bit|part|portion|half|cup)|what was kept",
    slurry:
      '(?:the |brown |thin |cold )*paint|(?:starch|cornflour|cornstarch|flour|rice|cold|smooth|cocoa)? ?(?:slurry|paste|cream of starch)|(?:starch|cornflour|cornstarch|flour) (?:mixture|mix|milk|liquid|water)|slaked (?:starch|cornflour)',
    mixture:
      '(?<=(?:the|this|that|your) )mix|(?:(?:egg|yolk|milk|hot|warm|rice|semolina|cornmeal|polenta|custard|sugar|cold|pudding|nut|cooled|boiling|thick|coconut|cream) )*(?:mixture|mix|batter|liquid|contents|mass)',
    dry: '(?:all )?(?:of )?(?:the )?dry (?:ingredients|things|stuff|goods|mix)',
    all: '(?:all )?(?:of )?(?:the )?(?:remaining |other |rest of the |wet |cold )*(?:ingredients|bits|things)|the lot|everything(?: else)?(?! is)|all of (?:it|this|that|them)|it all|the whole (?:lot|thing)|all together|them all|the contents',
    pudding:
      '(?:the |this |hot |warm |thick |cooled |finished )*(?:custard(?! (?:powder|cups))|pudding|porridge|cream(?= (?:into|out|is|in the))|base|milk pudding|rice pudding|natilla|rice cream|blancmange|flan|sauce|syrup|compote)',
    it: '\\bthere\\b(?= |\\.|,)(?! (?:is|are|was|will))|\\bit\\b|\\bthis\\b|\\bthat\\b(?! (?:is|way|water))|\\bthem\\b|\\bthese\\b|\\beach\\b',
  },
  shares: [
    ['most of|nearly all(?: of)?|the greater part of', 'most'],
    [
      "the rest(?: of)?|(?:the )?remaining|the remainder(?: of)?|what(?:'s| is) left(?: of)?|(?:the|all the) other|the last of|the balance of|(?<=(?:heat|add|boil|warm|with|then|in|pour|put|and|\\+) |^|[.,;] )rest(?! \\d)(?! (?:for|until|\\d|it|under))(?: of)?",
      'rest',
    ],
    [
      '(?:about |around |roughly )?(?:one |a )?half(?: of)?(?! (?:hour|an hour|a litre|a liter|a pint|a cup|a kilo|a minute|a teaspoon|a tablespoon|minute|fat))',
      0.5,
    ],
    ['(?:one |a )third(?: of)?', 1 / 3],
    ['two[- ]thirds(?: of)?', 2 / 3],
    ['(?:one |a )quarter(?: of)?(?! (?:an hour|hour|of an hour|litre|of a litre|pint))', 0.25],
    ['three[- ]quarters(?: of)?(?! of an hour)', 0.75],
    [
      'a little(?: of)?|some(?: of)?|a bit of|(?:a |one |another |two )?(?:small |good )?(?:ladle|ladleful|ladlefuls|ladles|spoonful|spoonfuls|splash|dash|few spoons?|cupful|tablespoons?)(?: or two)?(?: of)?|a few (?:spoons?|tablespoons|spoonfuls)(?: of)?|part of',
      'little',
    ],
  ],
  foods:
    '(?:raspberry |strawberry |apricot |plum |red ?currant )?jam|marmalade|(?:crushed |broken |digestive |ginger |shortbread )*biscuits?|cookies|wafers?|ice[- ]cream|whipped topping|gelatine?|agar(?: agar)?|sago|oats|barley|yogh?urt|cream cheese|quark|ricotta|mascarpone|tahini|peanut butter|(?:sponge )?cake|bread ?crumbs|sprinkles|marshmallows?|caramel sauce|golden syrup|treacle|molasses|corn syrup|sherry|whisky|brandy|kirsch|breadcrumbs|pastry|crumble|granola|poppy seeds|chia(?: seeds)?|aniseed|fennel|pepper(?:corns)?|food colou?ring|lavender|candied peel|stem ginger',
  gradual:
    'little by little|bit by bit|a (?:little|splash|bit|ladle|spoonful) at a time|drop by drop|slowly|gradually|in a (?:thin |slow |steady )?(?:stream|thread|trickle)|ladle by ladle|spoon by spoon|spoonful by spoonful|by (?:the )?(?:ladle|spoon)(?:ful)?s?|dribbl\\w+|trickl\\w+|temper\\w*|one (?:ladle|spoon)(?:ful)? after another|then another|slow as you like',
  classes: [
    {
      ways: '(?:nut |oat |almond |coconut |soya? |rice |hot |cold |whole |full[- ]fat |warm |fresh )?(?:milk|drink)s?',
      ids: /^(?:milk_(?:whole|semi|skim)|.*_drink|.*_sweet|coconut_milk|evaporated)$/,
    },
    { ways: '(?:heavy |double |single |whipping |whipped )?cream', ids: /^(?:cream_|double_cream|coconut_cream)/ },
    { ways: 'rice', ids: /^rice_(?:short|long|basmati|jasmine|glut|ground)/ },
    { ways: 'grains?|groats?', ids: /^(?:rice_(?!drink)|semolina|cornmeal)/ },
    {
      ways: 'starch|corn ?flour|corn ?starch|flour|thickener|powder|arrowroot',
      ids: /(?:starch|custard_powder|_flour|wheat_flour)$/,
    },
    {
      ways: 'meal|corn ?meal|polenta|semolina|sooji|suji|rava|ground rice|grits',
      ids: /^(?:semolina|cornmeal_|rice_ground)/,
    },
    {
      ways: '(?:both )?(?:sugars?|sweeteners?|sweetening|jaggery|panela|piloncillo|demerara)',
      group: 'sweet',
      many: true,
    },
    { ways: '(?:egg )?yolks?|yellows?', ids: /^(?:yolk|egg)$/ },
    { ways: '(?:egg )?whites?', ids: /^(?:white|egg)$/ },
    { ways: 'eggs?', ids: /^(?:egg|yolk)$/ },
    { ways: '(?:thin |lemon |orange |citrus )?(?:peels?|zests?|rinds?)|strips?(?= (?:out|of peel))', ids: /_peel$/ },
    { ways: '(?:cinnamon )?sticks?|cinnamon', ids: /^cinnamon(?:_ground)?$/ },
    { ways: '(?:empty |vanilla |cardamom )?(?:pods?|beans?)|seeds(?= and)', ids: /^(?:vanilla_pod|cardamom)$/ },
    {
      ways: '(?:the )?(?:whole )?(?:spices?|aromatics|seasonings?|flavou?rings?)',
      ids: /^(?:cinnamon|clove|cardamom|star_anise|nutmeg|ginger|.*_ground$|bay_leaf|vanilla_pod|mastic|saffron)/,
      many: true,
    },
    { ways: 'cardamoms?', ids: /^cardamom/ },
    { ways: 'ginger', ids: /^ginger/ },
    { ways: 'leaf|leaves', ids: /_leaf$|^leaf$|^mint$|^verbena$/ },
    { ways: 'extract|essence|vanilla|flavou?ring', ids: /^(?:vanilla|.*_extract|extract)$/ },
    { ways: '(?:rose|flower|blossom) ?water', ids: /_water$/ },
    { ways: 'butter|ghee|fat|margarine|shortening', group: 'fat' },
    {
      ways: 'nuts?|almonds?|cashews?|pistachios?|hazelnuts?|walnuts?|pecans?',
      ids: /(?:almonds|cashew|pistachio|hazelnuts|walnuts|pecans|nuts|peanuts)_(?:ground|chopped)/,
    },
    {
      ways: '(?:stewed |soft )?(?:fruit|berries|cherries|rhubarb|plums|apricots|raspberries|strawberries)',
      ids: /^(?:fruit_|puree_)/,
    },
    { ways: 'juice', ids: /_juice$/ },
    { ways: 'raisins|sultanas|currants', ids: /^raisins$/ },
    { ways: 'coconut', ids: /^coconut_(?:grated|milk|cream)/ },
    { ways: 'chocolate|cocoa', ids: /^(?:chocolate|cocoa)$/ },
    { ways: 'syrup|honey', ids: /^(?:maple|honey|agave|date_syrup)$/ },
    { ways: 'salt', ids: /^salt$/ },
  ],
  short: [
    ['->|→|=>', ' then '],
    ['&', ' and '],
    ["^(?:right |ok |okay |well |so |now )*for (?:the|my|a) [a-z ]{3,24}?(?=,? (?:its|it's|it is|what|you|i|we) )", ''],
    ['^(?:apart|separately|aside),? (?=(?:we |you |i )?(?:heat|warm|boil|bring))', 'in another pan '],
    [
      'with (?:one|the other|your other|your free|a steady) hand|(?<=whisk(?:ing)? |stir(?:ring)? )with the other(?= |,|\\.)',
      '',
    ],
    ['(?:the )?(whites?|yolks?) of (\\d+|one|two|three|four|five|six) (?:large |medium |small )?eggs?', '$2 egg $1'],
    ['(?<=\\bwith (?:[a-z]+ ){1,6})in it(?= |,|\\.|$)', ''],
    ['approx\\. ', 'about '],
    ['ingred\\.?|ingreds\\.?', 'ingredients'],
    ["w/ ?|wi'|wiv|avec", 'with '],
    ['w/o', 'without'],
    ['w\\. ', 'with '],
    ['w(?= [a-z])', 'with'],
    ['n(?= [a-z])', 'and'],
    ["t'(?=[a-z])", 'the '],
    ["o'(?= |[a-z])", 'of '],
    ["an' all", 'too'],
    ["an'|n'|'n'", 'and'],
    ['yer|yr|ur', 'your'],
    ["'em|em", 'them'],
    ['me (?=dad|mam|nan|mum)', 'my '],
    ['c/flour|c flour|cflr|cornflr|crnflr|cf', 'cornflour'],
    ['c/starch|cstarch|cornst', 'cornstarch'],
    ['van ess(?:ence)?', 'vanilla essence'],

    ['choc', 'chocolate'],
    ['cond milk', 'condensed milk'],
    ['evap(?: milk)?', 'evaporated milk'],
    ['coco milk', 'coconut milk'],
    ['cinn', 'cinnamon'],
    ['f/fat|f fat', 'full fat'],
    ['s/skimmed|semi(?! ?-?skim)(?=[ ,)])', 'semi-skimmed'],
    ['marg', 'margarine'],
    ['ht', 'heat'],
    ['bk', 'back'],
    ['qk', 'quick'],
    ['ref|reef', 'refrigerate'],
    ['temp', 'temperature'],
    ['pkts?', 'packet'],
    ['dsp|dstsp', 'dessertspoon'],
    ['lge|lg', 'large'],
    ['approx\\.?', 'about'],
    ['thru', 'through'],
    ['b4', 'before'],
    ['o/n', 'overnight'],
    ['r/temp|rt', 'room temperature'],
    ['s/pan|saucep', 'saucepan'],
    ['const', 'constantly'],
    ['occ', 'occasionally'],
    ['ctd', 'continued'],
    ['sooji|suji|rava', 'semolina'],
    ['maida', 'plain flour'],
    ['elaichi|elachi', 'cardamom'],
    ['kesar', 'saffron'],
    ['chawal', 'rice'],
    ['doodh', 'milk'],
    ['cheeni', 'sugar'],
    ['badam', 'almonds'],
    ['pista', 'pistachios'],
    ['kaju', 'cashews'],
    ['kishmish', 'raisins'],
    ['makai ka atta', 'cornmeal'],
    ['panela|piloncillo|rapadura|gur', 'brown sugar'],
    ['canela', 'cinnamon stick'],
    ['leche', 'milk'],
    ['heating element|hotplate|hot plate|(?<=(?:from|off|beside|by) the )plate', 'hob'],
  ],
  aside:
    "(?:recipe )?notes?|cook'?s notes?|nutrition(?:al)?(?: (?:info\\w*|facts|per \\w+))?|storage|storing|to store|keeping|make ahead|comments?(?: ?\\(?\\d+\\)?)?|\\d+ (?:comments|reviews|replies)|reviews?|faqs?|frequently asked.*|questions?(?: and answers)?|tips?(?: and tricks)?|equipment|you(?:'ll| will) need \\(equipment\\)|tools|homework|you may also like.*|related.*|more recipes.*|substitut\\w+|variations?|why you(?:'ll| will) love.*|share.*|about (?:me|the author|this).*|advert\\w*|newsletter|subscribe.*|leave a (?:reply|comment|review)|did you make.*|reader.*|ratings?|allergens?|allergy.*|serving suggestions?|wine.*|leftovers?|troubleshooting.*|video|watch.*|print.*|tags?.*|filed under.*|categories.*|cost.*|food hygiene.*|health and safety.*|evaluation|learning.*|objectives?",
  noise:
    '▾|advert\\w*|affiliate|newsletter|cookies?(?= (?:policy|settings))|subscribe|privacy policy|jump to recipe|skip to (?:content|recipe)|save for later|kcal|calories|ratings?|votes|★+|☆+|©|all rights reserved|cook mode|screen from going dark|follow (?:us|me)|pin (?:it|this|for later)|print(?:able)?(?= |$)|share on|home »|»|sign up|log ?in|read more|photo(?: by|:)|posted (?:on|by|in)|updated|min(?:ute)?s? read|click here|link in bio|instagram|scroll down|says:|^reply$|« older|working with ____|name ____|____|us (?:cups|customary)|us · metric|\\b1x\\b',
  words: {
    into: 'into|in|inside|to(?= (?:the|a|your|it|that|my|boiling|hot|simmering|cold|warm|this) )(?! the boil| a boil| a simmer)|among|between',
    onto: 'onto|on to|upon|over(?! (?:a |the )?(?:low|medium|high|gentle|moderate|heat|lowest|very|slow))|on(?! (?:low|medium|high|a (?:low|medium|high|gentle)|the (?:heat|hob|stove|fire|lowest)|heat|with))|on top of|across',
    from: 'from|out of',
    together:
      '(?:and )?then(?= (?:i|we|you|it|the|that|my|\\w+) )|with|and|plus|along with|together with|w/|\\+|&|including|also',
    over: 'over|on',
    until:
      "until|till|'til|til|so (?:that|long that)|up to (?:the|a)|to(?= (?:the|a|an?) (?:boil|simmer|bubble|full|gentle|rolling|first|bare))",
    when: 'when|whenever|once|as soon as|the moment|by the time|after(?= (?:it|that|the|they))|at the first|just as|now that',
    meanwhile:
      'meanwhile|in the meantime|while (?:it|that|this|the)|before (?:you|everything|anything|starting|all)|beforehand|ahead|earlier|first(?= of all)|the (?:day|night|evening) before|to start',
    if: '\\bif\\b|in case|should it|otherwise|or else|unless',
    not: "dont|not boiling|not to(?= )|trying not|because|so that|so (?=nothing|it does)|otherwise|which is|do not|don't|never|must not|mustn't|without(?! (?:stopping|a (?:break|pause|stop)|pausing|lid))|no longer|not (?:let|boil|stir|too|quite boil)|before it|stop before|rather than|instead of|shouldn't|can't|cannot|won't|not (?:gallop|hard)",
    more: 'more|further|another|longer|extra',
    offHeat:
      'beside the (?:hob|stove|fire)|to one side|drawn? aside|off (?:the )?(?:heat|fire|flame|hob|stove|ring|gas)|(?:away )?from the (?:heat|fire|stove|hob)|heat off|fire off|off the boil',
    onHeat:
      '(?:back )?(?:over|on|onto|to|on to|at|with) (?:the |a |an |your )?(?:(?:very|really|direct) )?(?:(?:low|lowest|medium|moderate|gentle|high|slow|strong|full|small|soft|medium-low|medium-high|steady|quiet|lively|brisk)[, ]*)*(?:heat|hob|stove|fire|flame|ring|gas|burner)|back on(?=,|\\.|$)|light the (?:stove|gas|hob)|on (?:low|medium|high)',
    overWater:
      '(?:over|above|on|onto) (?:a |the )?(?:pan|pot|saucepan) of (?:barely |just |gently )*(?:simmering |boiling |hot )?water(?: that is (?:barely |just |gently )?(?:simmering|boiling|steaming))?|double boiler|bain[- ]marie|over (?:barely |gently )?(?:simmering|boiling|hot) water|over (?:the )?steam|pan of (?:water|barely|just|simmering|hot)',
    bath: '(?:hot|boiling) water (?:from the kettle )?(?:in|into|round|around) (?:the|a) (?:\\w+ )?(?:tin|pan|tray)|(?:inch|cm|finger)(?:es|s)? of (?:hot |boiling |warm )?water|water bath|bain[- ]marie|(?:hot |boiling |warm )?water (?:to )?(?:come )?half ?way|with (?:hot |boiling |warm )?water (?:half|to come|coming|up)|pour (?:hot|boiling) water (?:round|around|into the (?:tin|roasting))|add (?:hot|boiling) water (?:to|until) (?:come|reach)|(?:tin|pan|tray) of (?:hot |boiling |warm )?water(?= |,|\\.|\\()|stand(?:ing)? in (?:hot )?water|hot water comes?',
    coldOven:
      "(?:in|into) (?:the|a) oven cold|cold oven|oven cold|oven (?:from|is|being) cold|(?:do not|don't|no) preheat|into the oven cold|unheated oven",
    fan: '(?<!(?:not|no|without) )fan(?:[- ](?:oven|assisted))?|convection',
    hot: 'hot|boiling|bubbling|simmering|steaming|scalded|scalding|just[- ]boiled',
    cold: 'cold|cool|chilled|fridge-cold',
    beside:
      'beside|alongside|on the side|at the table|separately(?= at)|to pour|to serve|for serving|with (?:a (?:jug|bowl|spoon) of)|pass round',
    onTop: 'on (?:the )?top|over (?:the )?top|over (?:it|each|them)|on each|on them|above|for above|for (?:the )?top',
    overnight:
      'overnight|over night|till (?:the )?(?:next )?(?:day|morning|evening)|until (?:the )?(?:next )?(?:day|morning|evening)|the whole night|all night|for a night',
    everyTime: 'every|each',
    afterTime: 'after|within|in(?= the first)|first|last|for the (?:first|last)|the (?:first|last)',
    keptBack:
      '(?:that |which )?(?:you|I|we) (?:have )?(?:(?:held|kept|reserved|saved)(?: back| aside| by)?|(?:set|put) (?:back|aside|by))|held[- ]back|kept[- ]back|reserved|set[- ]aside|put by',
    except: '(?<=(?:everything|all|the lot) )but|except(?: for)?|apart from|bar the',
    tool: 'tub|lid|paper|cling ?film|foil|thermometer|whisk|sieve|string|spatula|apron|tea ?towel|cocktail sticks|lolly sticks|wooden sticks|straws',
    alternative: 'or|or else|otherwise',
    notThing:
      'pudding|custard(?! powder)|jar|pan|pot|thermometer|skin|cooker|mould|bowl|mixture|mix(?=[.,;)]|$| (?:into|onto|back|is|and|in|over|to))|porridge|cream(?= (?:is|into|on|together|the (?:yolks?|butter|sugar|eggs?)))|paper|lover|dish|colou?red|spoon(?!s? (?:of|ful))|bath|slurry|mill|sauce|syrup(?= (?:is|over|boils))|foam',
    groundFine: 'semolina|fine sand|sand|fine(?:ly)?|gritty|couscous',
    groundCoarse: 'coarse(?:ly)?|broken|cracked|half(?: or)? (?:and|or)? ?quarter grains|rough(?:ly)?|bits',
    groundFlour: 'flour|powder|dust|talc|silky',
    like: '(?:like|as (?:fine|coarse|thick|big|small|white|smooth) as|not as fine as|the (?:size|texture|thickness|colou?r|consistency) of|looks like|brown of|something like) (?:(?:a|an|the|wet|fine|coarse|thin|thick|loose|single|double|heavy|light|brown|melted|whipped|softly) )*[a-zà-ÿ]+',
  },
};
