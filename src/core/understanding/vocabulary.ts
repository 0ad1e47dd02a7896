/** Words that stand in the heads of columns and rows of laboratory tables. */

const starting = (words: string): RegExp => new RegExp(`^(?:${words})(?:e?s)?\\b`, 'iu');
const within = (words: string): RegExp => new RegExp(`(?<![\\p{L}\\d])(?:${words})(?:e?s)?(?![\\p{L}])`, 'iu');

/** A head's words apart: "blade length" of "BladeLength" and of "blade_length". */
export const spoken = (name: string): string => name.replace(/(?<=\p{L})_+(?=\p{L})|(?<=\p{Ll}{2})(?=\p{Lu})/gu, ' ');

/** Who readings are of, and what lives. */
const persons =
  'subject|participant|patient|volunteer|respondent|student|pupil|diver|swimmer|runner|cyclist|rower|athlete|player|teacher|nurse|farmer|customer|client|employee|worker|twin|baby|infant|judge|rater|taster|panell?ist|assessor|person|child|donor|individual';
const living =
  'animal|mouse|mice|rat|rabbit|dog|cat|cow|calf|pig|piglet|sheep|lamb|horse|goat|bird|hen|chick|fish|frog|snail|crab|shrimp|mussel|oyster|larva|larvae|fly|bee|plant|tree|seedling|shoot|frond';
/** What readings are of: one thing looked at, perhaps more than once. */
const subjects = `${persons}|${living}|experiment|expt|exp|leaf|leaves|blade|root|fruit|seed|tank|line|dish|plate|well|tube|vial|flask|bottle|jar|pot|tray|plot|quadrat|transect|raft|cage|pen|pond|nest|litter|brood|hive|colony|culture|clone|isolate|cell|slide|section|core|cast|buoy|probe|sensor|batch|sample|specimen|replicate of|family|pair|tag|block|egg|bag|box|rope|chamber|incubator|aquarium|aquaria|mesocosm|microcosm|reactor|bioreactor|greenhouse|glasshouse|basin|bucket|paddock|enclosure|stall|coop`;
export const subjectName = starting(subjects);
/** A subject, or its number or code, and nothing more: "plants" beside counts are none of it, nor is "plant height". */
export const subjectNumber = new RegExp(
  `^(?:${subjects})(?:[\\s_.-]*(?:id|ids|no\\.?|nr\\.?|number|code|tag|#))?$`,
  'iu',
);
/** Names of nothing but a running or given number. */
export const numberName =
  /^(?:no|nr|num|number|#|n°|№|id|ids|identifier|index|idx|row|case|obs|observation|record|entry|item|serial(?: (?:no|number))?|code|key)\.?(?: ?(?:no|nr|number|id|code))?\.?$/iu;
/** A subject by its number or code: "mouse id", "sample no"; "after: no" is an answer. */
export const idName = /(?<!:\s*)(?:^|[\s_.-])(?:id|ids|no\.?|nr\.?|number|code|tag|#)$/iu;
export const labelName = starting(
  'name|label|note|sign|comment|remark|title|description|observer|initial|by|who|operator|time stamp|timestamp',
);
/** Days and years that stand beside readings. */
export const calendarName = starting('date|year|day|month|time|when|season|quarter|sampled|collected');
/** Names of times or turns: what the same subject is measured at. */
export const turnName =
  /^(?:day|week|month|hour|minute|mins?(?=[\s_.-]*\d)|hrs?|h|d|t|w|wk|time|visit|year|turn|round|session|trial|run|before|after|pre|post|start|end|begin(?:ning)?|finish|baseline|follow[- ]?up|initial|final|first|second|third|last|morning|evening|am|pm|left|right|mother|father|dam|sire|parent|offspring|daughter|son|twin|old|new|test|retest)(?:\b|[\s_.-]*\d)/iu;
/** Turns of which there is one each, before something else. */
const oneTurn = /^(?:before|after|pre|post|initial|final|start|end|baseline|old|new)[^\p{L}\d]+(?=\p{L})/iu;
const turnWord =
  'before|after|pre|post|initial|final|start|end|begin|baseline|follow[- ]?up|first|second|third|last|early|late|old|new|(?:day|week|month|year|hour|min|time|visit|t|d|w|h)[ _]?\\d+';
const edges = new RegExp(
  `^(?:${turnWord})[\\s_.-]+(.+)$|^(.+?)[\\s_.-]+(?:${turnWord})$|^(?:pre|post)(\\p{L}{2,})$`,
  'iu',
);
/** Whether names are one thing at several times: "weight before" and "weight after", "Prewt" and "Postwt". */
function areTimesOfOne(names: readonly string[]): boolean {
  const things = names.map((name) => {
    const found = edges.exec(name.trim());
    return (found?.[1] ?? found?.[2] ?? found?.[3])?.toLowerCase();
  });
  return names.length > 1 && things[0] !== undefined && things.every((thing) => thing === things[0]);
}

/** Whether names are several things at one time: "after: yes" and "after: no". */
export function areOfOneTime(names: readonly string[]): boolean {
  const turns = new Set(names.map((name) => oneTurn.exec(name.trim())?.[0].toLowerCase()));
  return turns.size === 1 && !turns.has(undefined);
}
/** A day, a year or a time of day: "2026-03-01", "1.3.", "8 March", "12:30". */
const momentName =
  /^(?:\d{4}|\d{1,4}[-/.]\d{1,2}[-/.]\d{0,4}|\d{1,2}:\d{2}(?::\d{2})?|(?:\d{1,2}[-. ]{1,2})?(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)\.?(?:[-. ]\d{1,4})?)$/iu;
/** Whether a name is of a time at which something was read. */
export const isTurn = (name: string): boolean => turnName.test(name) || momentName.test(name.trim());
/** Whether names are numbers that rise, perhaps with a unit of time: what each subject was read at, 0, 7 and 14 or 0 h and 24 h. */
export function areSteps(names: readonly string[]): boolean {
  const steps = names.map((name) =>
    /^(\d+(?:[.,]\d+)?)\s?(h|hrs?|hours?|min|minutes?|d|days?|w|wks?|weeks?|months?|yrs?|years?)?$/iu.exec(name.trim()),
  );
  const units = new Set(steps.map((step) => step?.[2]));
  // 1, 2 and 3 may as well number readings.
  const numbered = names.every((name, i) => name.trim() === String(i + 1));
  return (
    names.length > 1 &&
    !numbered &&
    units.size === 1 &&
    steps.every((step, i) => step !== null && (i === 0 || Number(step[1]) > Number(steps[i - 1]?.[1])))
  );
}
/** Whether all names, or all but one, are of times at which one thing was read. */
export function areTurns(names: readonly string[]): boolean {
  if (areTimesOfOne(names)) return true;
  const turns = names.filter(isTurn).length;
  return turns >= 2 && turns >= names.length - 1 && !areOfOneTime(names);
}

/** Names of what sets groups apart. */
export const groupName = starting(
  'group|gruppe|behandlung|groupe|traitement|grupo|tratamiento|gruppo|trattamento|treatment|treated|treat|trt|lamp|light|condition|diet|feed|nutrient|site|station|place|location|region|origin|source|dose|level|class|category|kind|type|arm|variety|cultivar|strain|genotype|species|line type|temperature|temp|colour|color|season|rinse|result|outcome|settled|grazed|drug|compound|medium|substrate|flow|regime|method|series|set|batch type|operator|lab|sex|gender|control|exposed|infected|vaccinated|smoker|depth|pH|salinity|stage|habitat|farm|field|year class|phase|team|brand|product|supplier|kit|factor',
);
/** Names of what was done to subjects, which names none of them. */
export const treatmentName = starting(
  'treatment|behandlung|traitement|tratamiento|trattamento|gruppe|groupe|grupo|gruppo|treated|treat|trt|condition|group|arm|lamp|light|diet|feed|nutrient|fertili[sz]er|drug|compound|dose|medium|substrate|flow|regime|cultivar|variety|method|spray|sprayed|vaccine|vaccinated|exposed',
);
/** Names of what each subject is of and remains: its genotype, its sex. */
export const inherentName = starting(
  'genotype|strain|species|sex|gender|variety|cultivar|breed|population|ploidy|morph|mutant|ecotype',
);
/** Names of what lives, and so is of one kind. */
export const livingName = starting(`${persons}|${living}`);
/** Names of places, where what is rooted or kept stands throughout. */
export const placeName = starting('site|station|place|location|region|farm|field|habitat|lake|river|island|beach|bay');
/** Names of subjects that go from place to place. */
export const personName = starting(`${persons}|operator|team|boat`);
const replicated = 'rep(?:l(?:icate)?)?|replication|repeat';
/** "Replicate", "bio rep": the how-manieth sample of a group. */
export const sampleNumber = new RegExp(
  `^(?:bio(?:l|logical)?[ .-]*)?(?:${replicated})s?(?: ?(?:no\\.?|nr\\.?|number|id|#))?$`,
  'iu',
);
/** What stands over names of variables, or of figures. */
export const ofWhatName =
  /^(?:analytes?|parameters?|variables?|traits?|metrics?|measures?|indicators?|statistics?|stats?|figures?|quantit(?:y|ies)|characteristics?)$/iu;
/** "Technical replicate", "tech rep": the how-manieth reading of a sample. */
export const withinSampleName = new RegExp(
  `^(?:tech(?:n(?:ical)?)?|sub|analytical|pseudo)[ .-]*(?:${replicated}|sample)?s?(?: ?(?:no\\.?|nr\\.?|number|#))?$`,
  'iu',
);

/** Names of what is set as well as measured. */
export const settingName = starting(
  'temp|temperature|ph|salinity|depth|conc|concentration|light|flow|dose|speed|pressure|density|humidity',
);
/** Names of what is measured, so that columns that carry two of them are two variables. */
const variableWord = within(
  'age|mass|weight|len|length|dist|height|width|depth|breadth|girth|diameter|radius|area|volume|thickness|size|temperature|temp|pressure|systolic|diastolic|pulse|heart rate|rate|speed|velocity|time|duration|distance|score|grade|mark|index|count|number|concentration|conc|density|yield|income|price|cost|salinity|pH|oxygen|chlorophyll|nitrate|nitrogen|phosphate|phosphorus|ammonia|carbon|protein|glucose|cholesterol|insulin|lipid|fat|sugar|starch|water|moisture|humidity|biomass|cover|growth|survival|bmi|iq|dose|power|energy|intensity|absorbance|fluorescence|expression|strength|hardness|viscosity|conductivity|turbidity|latency|fv ?/ ?fm|npq|etr|cortisol|lactate|ha?emoglobin|ha?ematocrit|creatinine',
);
const variableName = new RegExp(`${variableWord.source}|(?<![\\p{L}\\d])[xyz](?![\\p{L}])`, 'iu');
/** The parts of variable names that tell them apart, "length" in "blade length". */
export const variableIn = (name: string): string | undefined => variableName.exec(name)?.[0].toLowerCase();

export const countName =
  /^(?:counts?|number|how many|freq(?:uency)?\.?|frequencies|tally|observed|obs|n|cases|individuals|total|#)$/iu;
/** Names of what has few whole values, each of which is counted: "number of blades", "score". */
export const scoreName = /^(?:(?:number|no\.?|#) of |(?:scores?|grades?|ratings?|class|stage|rank)\b)/iu;
const gradeWord =
  /^(?:none|no \p{L}+|slight(?:ly)?|minor|mild(?:ly)?|moderate(?:ly)?|severe(?:ly)?|heav(?:y|ily)|marked|partial|complete|poor|fair|good|very good|excellent|worse|unchanged|same|improved|better)(?![\p{L}])/iu;
/** Whether three names or more are grades of what was found: none, mild and severe. */
export const areGrades = (names: readonly string[]): boolean =>
  names.length > 2 && names.filter((name) => gradeWord.test(name)).length > names.length / 2;
/** What is expected of counts: as counts, shares or parts of a ratio. */
export const expectedName =
  /^(?:exp(?:ected)?\.?|theor(?:y|etical)|predicted|claimed|ratio|expected (?:counts?|ratio|shares?|proportions?|%|percent)|(?:claimed|expected) .*|hypothes[ei][sz]ed?|null|(?:person|patient|subject|plant|animal|fish|bird|tank|line|rope|site)s?[ -](?:years?|months?|weeks?|days?|hours?)|(?:time|years|months|weeks|days|hours) at risk)(?![\p{L}])/iu;
export const totalName =
  /^(?:(?:grand |row |column |sub-?)?totals?|sums?|all(?: (?:groups|rows|together))?|overall|together|Σ|∑)\.?:?$/iu;
/** Names of what each was found to be: "answer", "outcome". */
export const answerName =
  /^(?:answers?|responses?|repl(?:y|ies)|outcomes?|opinions?|verdicts?|choices?|categor(?:y|ies))$/iu;
/** Names of a group to which nothing was done. */
export const controlName = /^(?:controls?|untreated|unexposed|placebo|vehicle|blank|sham|reference)\b/iu;
/** What a part is out of. */
export const outOfName =
  /^(?:(?:grand |row )?totals?|n|of|out of|population|at risk|tested|examined|planted|sown|seeded|plated|stocked|released|laid|enrolled|randomi[sz]ed|inoculated|incubated|injected|screened|scored|exposed|treated|sampled|all|size|sample size|trials|number(?: (?:tested|examined|planted|exposed|of \w+))?|no\.? (?:tested|examined|planted|exposed|of \w+)|(?:plants|animals|seeds|cells|fish|eggs|mice|patients|subjects|people|individuals|blades|fronds|lines|tanks|seedlings)(?: \w+)?|n[ _]?total|counted|looked at|checked)$/iu;

/** What a test made of readings, and no reading: "p", "padj", "FDR". */
export const pName =
  /^(?:p|(?:[Aa]dj(?:usted|\.)?[ _-]?)?[Pp][-_ ]?(?:[Vv]al(?:ue)?s?|[Aa]dj\.?)|[Qq](?:[-_ ]?[Vv]al(?:ue)?s?)?|FDR|fdr)$/u;

export const meanName =
  /^(?:(?:arithmetic |sample )?means?|averages?|avg\.?|estimates?|m|x̄|x̅|x[- ]?bar|µ|mu|mittel(?:wert)?e?|moyennes?|media|gemiddelden?)(?:\b|$)/iu;
/** What the spread beside a mean is, by its name; `±` and its like do not say. */
export const spreadNames = {
  sd: /^(?:±\s*)?(?:sds?|s\.\s?d\.?|st\.?\s?\.?devs?\.?|std\.?(?:\s?\.?devs?\.?)?|stdevs?|standard deviations?|standardabweichung(?:en)?|stabw\.?|écarts?[- ]types?|desviaci[oó]n (?:est[aá]ndar|t[ií]pica)|deviazione standard|sigma|σ)(?![\p{L}])/iu,
  sem: /^(?:±\s*)?(?:sems?|s\.\s?e\.\s?m\.?|s\.\s?e\.?|ses?|st\.? ?err\.?|std\.? ?err(?:or)?\.?|standard errors?(?: of the mean)?|standardfehler|erreurs?[- ]types?|error est[aá]ndar|errore standard)(?![\p{L}])/iu,
  variance: /^(?:variances?|var\.?|s²|s\^?2)(?![\p{L}])/iu,
  interval: /^(?:(?:half[- ]?width|\d{2} ?% ?ci|ci|c\.i\.|confidence interval|margin)\b.*)/iu,
} as const;
const untoldSpread = /^(?:±|\+\/?-|plus[- ]?minus|errors?|err\.?|spread|deviation|uncertainty|dispersion)(?![\p{L}])/iu;
const end = (words: string): RegExp => new RegExp(`(?:^|[\\s_(.%-])(?:${words})(?:$|[\\s_).%-])`, 'iu');
/** Names of the limits of an interval: "lower", "95 % CI low", "UCL". Low and high alone are no limits, but a range. */
export const lowerName = new RegExp(
  `${end('lower|lcl|lcb|2\\.5 ?%').source}|^(?=.*(?:ci|conf|%)).*${end('low|lo|from|l').source}`,
  'iu',
);
export const upperName = new RegExp(
  `${end('upper|ucl|ucb|97\\.5 ?%').source}|^(?=.*(?:ci|conf|%)).*${end('high|hi|up|to|u').source}`,
  'iu',
);
/** Names of the SD as a part of the mean; "cv. A" is a cultivar. */
export const cvName =
  /^(?:cvs?(?!\.? \p{L}\b|\. ?['‘“]?\p{L})|c\.v\.|rsd|coefficients? of variation|(?:relative|rel\.) (?:sd|standard deviation))(?![\p{L}])/iu;
/** Names of figures that describe a group: "median", "max", "Q1". */
export const figureName =
  /^(?:n|mean|average|avg\.?|median|med\.?|mode|min(?:imum)?|max(?:imum)?|range|q[1-3]|(?:lower|upper|first|third|1st|3rd) quartile|(?:25|75|5|95|2\.5|97\.5)(?:th)? ?(?:%|percentile)|iqr|sd|se|sem|variance|cv(?!\.? \p{L}\b|\. ?['‘“]?\p{L})|lower|upper|skewness|kurtosis)(?![\p{L}])/iu;
export const sizeName =
  /^(?:n|size|sizes|sample sizes?|observations?|replicates|reps|number(?: of \w+)?|no\.?(?: of \w+)?|count(?: of \w+)?|anzahl|stichproben(?:größe|umfang)|effectifs?|tamaño(?: muestral)?|group size|how many|(?:n|no)\.? ?\(?\w*\)?)$/iu;

/** What kind of spread a name says it is; undefined of a name that says spread and not which, null of one that says neither. */
export function spreadKind(name: string): keyof typeof spreadNames | undefined | null {
  // The symbol of a sample's SD, which stands beside x̄.
  if (name.trim() === 's') return 'sd';
  for (const [kind, pattern] of Object.entries(spreadNames))
    if (pattern.test(name.trim())) return kind as keyof typeof spreadNames;
  return untoldSpread.test(name.trim()) ? undefined : null;
}

/** How long something lasted: "days", "survival time". */
export const spanName = /^(?:days?|weeks?|months?|hours?|minutes?|time|survival|duration|follow[- ]?up)(?![\p{L}])/iu;
/** Whether a column is called as times are: "day", "Time_h". */
export const isTimeName = (name: string): boolean => calendarName.test(spoken(name)) || spanName.test(spoken(name));
/** Whether what lasted came to its end while it was watched: "censored", "event", "lost". */
export const endedName =
  /^(?:censor(?:ed|ing)?|event|status|lost(?: to follow[- ]?up)?|relapsed?|died|dead|death|failed)$/iu;

/** Names of rows that sum up the readings above them. */
export const summaryName =
  /^(?:(?:group |column |grand |overall )?(?:means?|averages?|avg\.?|medians?|totals?|sums?)|min(?:imum)?|max(?:imum)?|range|mode|s\.?d\.?|s\.?e\.?m?\.?|std\.?(?: ?dev(?:iation)?\.?| ?err(?:or)?\.?)?|st\.?dev\.?|stdev|standard (?:deviation|error)|variance|var\.?|cv|cv ?%|c\.v\.|n|count|number|sum|ci|95 ?% ?ci|lower|upper|q1|q3|iqr|±|t|p|p-value|difference|(?:(?:paired |student'?s? |welch'?s? )?t[- ]?test|anova|mann[–-]whitney|kruskal[–-]wallis|chi[- ]?squared?)(?: test)?(?:[,:]? ?\(?(?:p|p[- ]?value)\)?)?)\.?:?$/iu;

/** Names made of one stem and numbers or letters: "assay 1", "assay 2"; the stem, if they all share it. */
export function sharedStem(names: readonly string[]): string | undefined {
  const stems = new Set(
    names.map((name) => /^(.*?\p{L})[\s_.-]*(?:\d+|\p{Lu})$/u.exec(name.trim())?.[1]?.toLowerCase()),
  );
  const [stem] = stems;
  return stems.size === 1 && stem !== undefined ? stem : undefined;
}

/** "rep 1", "reading 2": the how-manieth reading of a group, whose like-numbered readings are unconnected. */
export const replicateName = /^(?:rep(?:licate|lication|eat)?|reading|measurement|value)s?\.?[\s_.-]*\d+$/iu;

/** Whether a head says no more than the how-manieth reading stands below it: "rep 2", "2", "R2", "n2", "b". */
export const isReplicate = (text: string, i: number): boolean =>
  replicateName.test(text) || [String(i + 1), `R${i + 1}`, `r${i + 1}`, `n${i + 1}`, 'abcdefgh'[i]].includes(text);

/** A text that looks like one of a series of identifiers: letters and a number, "F12", "tank 3". */
export const looksLikeId = (text: string): boolean => /^\p{L}{1,12}[\s_.-]?\d{1,6}\p{L}?$/u.test(text.trim());
/** Whether rows are A, B, C … and columns 1, 2, 3 …, as on a plate of wells, of which a row may be left out. */
export function arePlate(rows: readonly string[], columns: readonly string[]): boolean {
  const letters = rows.map((name) => 'ABCDEFGHIJKLMNOP'.indexOf(name));
  const rises = letters.every((at, i) => at >= 0 && at >= i && at <= i + 1 && (i === 0 || at > (letters[i - 1] ?? at)));
  return rises && rows.every((name) => name.length === 1) && columns.every((name, i) => Number(name) === i + 1);
}
/** A well of a plate: "A1", "H12". */
export const isWell = (text: string): boolean => /^[A-P](?:0?[1-9]|1\d|2[0-4])$/.test(text.trim());

/** Whether a column's name says that it sorts rows into blocks nobody asks about: "batch", "block no.", "litter". */
export const isBlock = (name: string): boolean =>
  /\b(?:blocks?|batch(?:es)?|litters?|plates?|exp(?:t|eriment)?s?)\b/i.test(name);
const identity = /(?:^|[\s_.-])(?:id|ids|identifier|code|tag)$/i;
/** Whether numbers under such a name are the same subjects wherever they come: persons, blocks, and what was given to one alone. */
export const numbersStay = (name: string): boolean => isBlock(name) || personName.test(name) || identity.test(name);
/** A subject's number and nothing more. */
export const bareNumber = /^\d+$/;
/** Whether a column's name says where several subjects are kept together: beside the subjects themselves these are blocks too. */
export const isHousing = (name: string): boolean =>
  /\b(?:cages?|pens?|tanks?|trays?|ponds?|rafts?|nests?|broods?|hives?|box(?:es)?)\b/i.test(name);

/** Whether a name says that something was there first: "before", "baseline", "day 0". */
export const isBefore = (name: string): boolean =>
  /\b(?:before|pre|initial|start|begin(?:ning)?|baseline)\b|\b(?:day|week|month|hour|time|visit|t|d|w|h)[ _]?0\b/i.test(
    name,
  );

/** Whether one of two categories says that the other was not so: "no" of yes, "0" of 1, "not settled" or "unsettled" of settled. */
export function isNegative(category: string, other: string): boolean {
  const [a, b] = [category, other].map((name) => name.trim().toLowerCase().replace(/[−–]/g, '-'));
  if (a === undefined || b === undefined) return false;
  if (/^(?:no|false|neg(?:ative)?|absent|none|never|(?:not|no|without) .+)$/u.test(a)) return true;
  const pair = `${a} ${b}`;
  return ['n y', '0 1', '- +'].includes(pair) || [`un${b}`, `non${b}`, `non-${b}`, `in${b}`].includes(a);
}
