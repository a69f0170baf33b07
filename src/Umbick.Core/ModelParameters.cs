namespace Umbick.Core;

/// <summary>
/// Every figure that the reading model rests on, with its unit, why it has this value, and what depends on it. They are judgements, not
/// measurements: none was fitted to children. A change is one line here, a new <c>ReadingModel.Version</c>, and
/// <c>docs/reading-model-results.md</c> made again.
/// </summary>
public static class ModelParameters
{
    // How children answer.

    /// <summary>
    /// How often a child follows their own rule (0 to 1), each with the share of children: most hold to it firmly, some half the time, or
    /// only in half of the cases. The belief's lanes.
    /// </summary>
    public static IReadOnlyList<(double Consistency, double Share)> ConsistencyLevels { get; } = [(0.5, 0.1), (0.7, 0.2), (0.85, 0.35),
        (0.95, 0.35)];

    /// <summary>
    /// The consistency, 0 to 1, that items are weighed with: about the mean of <see cref="ConsistencyLevels"/>. The choice of items.
    /// </summary>
    public const double TypicalConsistency = 0.88;

    /// <summary>
    /// The share of children who guess, 0 to 1, before anything is asked: rare in a school's intervention group. The belief in guessing,
    /// and where days take it back to.
    /// </summary>
    public const double GuessingPrior = 0.02;

    /// <summary>
    /// The chance of any one answer from a child who guesses, 0 to 1: one of the twelve hours with one of the twelve fives, 144 times. The
    /// belief in guessing.
    /// </summary>
    public const double GuessedAnswerChance = 1.0 / 144;

    /// <summary>
    /// The share of children, 0 to 1, who give one answer again and again, before anything is asked: rarer than guessing. The belief in
    /// repeating.
    /// </summary>
    public const double RepeatingPrior = 0.005;

    /// <summary>
    /// How much weight a new answer keeps for one who repeats theirs, in answers: after one answer the next is the same four times in five
    /// (an urn after D. Blackwell and J. B. MacQueen, Ferguson distributions via Pólya urn schemes, 1973). The belief in repeating.
    /// </summary>
    public const double NewAnswerWeight = 0.25;

    /// <summary>
    /// The chance, 0 to 1, that an answer is right where the rule is not followed: such a child reads many clocks rightly. Every
    /// likelihood.
    /// </summary>
    public const double RightWhenNotFollowing = 0.45;

    /// <summary>The chance, 0 to 1, that it is one of <see cref="NearSlips"/> then. Every likelihood.</summary>
    public const double NearSlipChance = 0.25;

    /// <summary>Slips that are near to the right time, in minutes: one off, a numeral off, an hour off. Every likelihood.</summary>
    public static IReadOnlyList<int> NearSlips { get; } = [-60, -5, -1, 1, 5, 60];

    /// <summary>How many places a hand could be set to in passing; reading is not so fine. The likelihood of hands.</summary>
    public const double PlacesForHands = 40;

    /// <summary>How many answers there are to a question about one hand: twelve numerals. The likelihood of those.</summary>
    public const double AnswersForOneHand = 12;

    /// <summary>
    /// The chance, 0 to 1, that a slip makes one of the answers that an unlisted rule stands for: small beside one listed answer. The
    /// choice of items.
    /// </summary>
    public const double UnlistedSlipChance = 0.01;

    // What an unlisted rule may answer: so many answers are wrong at one step and right at the others.

    /// <summary>Wrong hours: eleven are left. The likelihood of an unlisted rule.</summary>
    public const double WrongHours = 11;

    /// <summary>
    /// Wrong minutes: more than the eleven fives, fewer than 59, for most fall near a mark. The likelihood of an unlisted rule.
    /// </summary>
    public const double WrongMinutes = 30;

    /// <summary>Ways of turning past and to wrong: two minutes with three hours. The likelihood of an unlisted rule.</summary>
    public const double WrongPastOrTo = 6;

    /// <summary>Wrong places for an hour hand that can be told apart by eye. The likelihood of an unlisted rule.</summary>
    public const double WrongHourPlaces = 8;

    /// <summary>Wrong times for a quarter or a half, with the hour named or one beside it. The likelihood of an unlisted rule.</summary>
    public const double WrongFractions = 40;

    /// <summary>Wrong ways to put the figures of a time together. The likelihood of an unlisted rule.</summary>
    public const double WrongWritings = 8;

    // How far an answer counts.

    /// <summary>
    /// How far, 0 to 1, a wrong time said in other words than a rule would use fits that rule: one in four says a time in words of their
    /// own. The likelihood of words.
    /// </summary>
    public const double OtherWordsFit = 0.25;

    /// <summary>
    /// The power to which the likelihood of an answer given with help is raised: a half, since help shows part of the way. The belief.
    /// </summary>
    public const double HelpedWeight = 0.5;

    /// <summary>A chosen answer counts by its likelihood to this power: choosing is easier than saying. The belief.</summary>
    public const double ChosenWeight = 0.7;

    /// <summary>A joined pair counts by its likelihood to this power: what is left over forces each. The belief.</summary>
    public const double MatchWeight = 0.6;

    /// <summary>
    /// A reading after a turn of the hands counts by its likelihood to this power: the turn may have gone wrong, not the reading. The
    /// belief.
    /// </summary>
    public const double AfterTurnWeight = 0.5;

    /// <summary>
    /// What contradicts the teacher's judgement keeps this share, 0 to 1: a teacher is wrong once in twenty times. The belief.
    /// </summary>
    public const double AgainstTeacher = 0.05;

    /// <summary>
    /// Shares of the belief are held up to this: far below any that matters, and above what slows a processor. No result.
    /// </summary>
    public const double SmallestShare = 1e-40;

    /// <summary>
    /// A pattern none of whose procedures is believed this much, 0 to 1, is looked at with the one believed most. What is shown of a
    /// pattern that was cleared.
    /// </summary>
    public const double LookedAtFrom = 1e-12;

    /// <summary>
    /// A share of the belief, 0 to 1, from which on it is kept by itself at a level of consistency that holds all of it; at a level that
    /// holds less it is this times the square root of that. A day loosens more into every procedure that may come to matter; with a
    /// hundred times as much, one course in five hundred was off by a millionth or more. No result.
    /// </summary>
    public const double KeptFrom = 1e-16;

    /// <summary>
    /// A half taken for 50 or a quarter for 25 makes an hour of a hundred minutes so many times likelier. The priors of linked patterns.
    /// </summary>
    public const double HundredsLink = 6;

    /// <summary>
    /// A rule with several departures is taken into account up to so many: more in one child were never told of. The size of the space.
    /// </summary>
    public const int MostDepartures = 3;

    /// <summary>
    /// How often, 0 to 1, one who mixes past and to has the right word by accident: a little under half of their words. The rule of mixing.
    /// </summary>
    public const double PastOrToByAccident = 0.25;

    /// <summary>
    /// The share of children, 0 to 1, who set a clock rightly although they misread one. To set is another job than to read: the time is
    /// given in figures, both hands are put one after the other, and the hour hand, which is misread most, may be put near its numeral.
    /// Where the minutes are miscounted setting miscounts too. So somewhat under half. The joint belief.
    /// </summary>
    public const double SetsRightlyPrior = 0.4;

    /// <summary>
    /// The share of children, 0 to 1, who read rightly what they set wrongly: few, for reading is taught first, and a sitting looks for
    /// what is expected: with 5 in a hundred it asked for more settings and found less of all else. The joint belief.
    /// </summary>
    public const double SetsAlonePrior = 0.02;

    /// <summary>So many departures at most are taken into account of one who goes wrong in setting alone. The size of the space.</summary>
    public const int MostDeparturesAlone = 2;

    /// <summary>
    /// How often, 0 to 1, a minute hand that was put at a wrong place takes the hour hand with it: most put each hand by itself, some look
    /// at the long hand to see how far into the hour it is. The prediction of hands.
    /// </summary>
    public const double HourHandCarried = 0.3;

    // How belief grows old.

    /// <summary>
    /// Days after which half of what is believed of a step has moved back to the prior, when it was left alone: about a school term and a
    /// half. The transition.
    /// </summary>
    public const double HalfLifeDays = 120;

    /// <summary>
    /// The share of children, 0 to 1, whose rule at a step changes over one practice of it: one in eight. The transition.
    /// </summary>
    public const double ChangedByPractice = 0.12;

    /// <summary>Of those, the share, 0 to 1, who take the step rightly from then on. The transition.</summary>
    public const double ChangedToCorrect = 0.8;

    // What is called what.

    /// <summary>From this belief on, 0 to 1, a pattern may be called likely: four in five. Labels.</summary>
    public const double LikelyFrom = 0.8;

    /// <summary>From this belief on, 0 to 1, a pattern is possible: two in five. Labels, and steps taken some other way.</summary>
    public const double PossibleFrom = 0.4;

    /// <summary>From this belief on, 0 to 1, a pattern is told of though no answer has shown it: as often as not. Labels.</summary>
    public const double NeverPassedOverFrom = 0.5;

    /// <summary>From this belief on, 0 to 1, answers are told as guessed: more likely than not. What the page says.</summary>
    public const double GuessingFrom = 0.5;

    /// <summary>So many answers, at least, are needed to say that most are wrong. What the page says.</summary>
    public const int FewestToJudge = 5;

    /// <summary>
    /// Below this belief, 0 to 1, a pattern that was likely may be called cleared: the mirror of <see cref="LikelyFrom"/>. Labels.
    /// </summary>
    public const double ClearedBelow = 0.2;

    /// <summary>From this belief on, 0 to 1, a pattern is worth naming at all. The length of lists.</summary>
    public const double WorthNaming = 0.05;

    /// <summary>So many telling answers must have gone a pattern's way before it is called likely: one may be a slip. Labels.</summary>
    public const int TellingNeeded = 2;

    /// <summary>Of so many of the latest telling answers some must have gone a pattern's way. Labels.</summary>
    public const int LatestTelling = 6;

    /// <summary>So many telling answers must have come right before it is called cleared. Labels.</summary>
    public const int RightNeededToClear = 4;

    /// <summary>In so many sittings: one good day is none. Labels.</summary>
    public const int SittingsNeededToClear = 2;

    /// <summary>A procedure fits an answer that it gives this often, 0 to 1, or more. Telling answers and look-alikes.</summary>
    public const double FittingFrom = 0.1;

    /// <summary>
    /// Two places of the minute hand are apart beyond this many minutes: two numerals, for near one place many rules agree. Labels of the
    /// minutes.
    /// </summary>
    public const int NearMinutes = 9;

    /// <summary>
    /// A wrong answer that belief gives less often than this, 0 to 1, is explained by nothing believed. The list of unexplained answers.
    /// </summary>
    public const double ExplainedFrom = 0.1;

    /// <summary>
    /// An answer that some way gives so often, 0 to 1, among all children is given by a common one: one child in a hundred. What is said of
    /// one answer.
    /// </summary>
    public const double CommonFrom = 0.01;

    /// <summary>
    /// How often, 0 to 1, a child who counts in fives rightly is a numeral off: one time in twenty. What is said of one answer.
    /// </summary>
    public const double MiscountedNumeral = 0.05;

    /// <summary>No more patterns than this explain one answer together where a slip would do. What is said of one answer.</summary>
    public const int MostWhereASlipWouldDo = 2;

    // Which item comes next: bits.

    /// <summary>
    /// About this share, 0 to 1, of a sitting's items should come right: children give up when they fail. The choice of items.
    /// </summary>
    public const double RightShare = 2.0 / 3;

    /// <summary>The right ones may lag behind that share by so many items before an easier one is asked. The choice of items.</summary>
    public const double RightSlack = 2;

    /// <summary>
    /// The same while a pattern that is believed has still to show itself: who has two gets every telling item wrong, and with less slack
    /// they would not be told from slips. The choice of items.
    /// </summary>
    public const double RightSlackToShow = 3;

    /// <summary>An item that comes right this likely, 0 to 1, is an easier one. The choice of items.</summary>
    public const double EasierFrom = 0.7;

    /// <summary>What the same hour as one of the last few costs, in bits: worth less than any telling item. The choice of items.</summary>
    public const double SameHourCost = 0.03;

    /// <summary>What the same minutes as one of the last few cost, in bits. The choice of items.</summary>
    public const double SameMinuteCost = 0.02;

    /// <summary>What the same task as one of the last few costs, in bits. The choice of items.</summary>
    public const double SameTaskCost = 0.02;

    /// <summary>
    /// What the same half of the hours, or the same side of the face, costs as the last item that was answered in the same form, in bits: a
    /// rule may hold in one part only. The choice of items.
    /// </summary>
    public const double SamePartCost = 0.2;

    /// <summary>So many of the last items count as the last few. The choice of items.</summary>
    public const int LastFew = 4;

    /// <summary>What writing or placing costs, in bits: they take longer than saying. The choice of items.</summary>
    public const double LengthCost = 0.05;

    /// <summary>
    /// What it is worth, in bits, to see a pattern once more that is believed and cannot be called yet. The choice of items.
    /// </summary>
    public const double ShowsWorth = 0.4;

    /// <summary>From this belief on, 0 to 1, a pattern is worth seeing once more. The choice of items.</summary>
    public const double WorthSeeingFrom = 0.5;

    /// <summary>What a tie may be broken by, in bits: less than every cost. Which of two equal items is asked.</summary>
    public const double TieBreak = 0.005;

    /// <summary>
    /// Parts of a procedure believed less than this, 0 to 1, are left out when all items are weighed. Speed; no result beyond the third
    /// place.
    /// </summary>
    public const double LeftOutRoughly = 3e-3;

    /// <summary>Parts believed less than this, 0 to 1, are left out when the best are weighed again. Speed; no result.</summary>
    public const double LeftOutExactly = 2e-5;

    /// <summary>So many of the best are weighed again. Speed.</summary>
    public const int WeighedAgain = 40;

    /// <summary>
    /// So many times running, at most, is one task asked: then the child answers a routine and not a clock. The choice of items.
    /// </summary>
    public const int MostRunning = 3;

    /// <summary>
    /// Once in so many items, at most, is the hour twelve, as it is on a clock that is met twice an hour round: once in six. The choice of
    /// items.
    /// </summary>
    public const int TwelveOnceIn = 6;

    /// <summary>
    /// How likely, 0 to 1, each of the first items comes right at least: a sitting begins with what can be done, and rises from there. The
    /// choice of items.
    /// </summary>
    public static IReadOnlyList<double> RisingFrom { get; } = [0.6, 0.6, 0.5, 0.4];

    /// <summary>Over so many items a sitting rises from the easiest times to all that are taught. The choice of items.</summary>
    public const int RisingOver = 5;

    /// <summary>So many items of a sitting, at most, show no clock. The choice of items.</summary>
    public const int MostWithoutClock = 2;

    /// <summary>
    /// What it is worth, in bits, that an item is one which every sitting asks: more than most items tell of a child in whom nothing is
    /// found, less than what parts two patterns. The choice of items.
    /// </summary>
    public const double QuotaWorth = 0.25;

    /// <summary>
    /// An item that is worth at least this share of the best, 0 to 1, is as good: among those one is drawn, so that sittings differ. While
    /// a sitting rises little is known, and more are as good. The choice of items.
    /// </summary>
    public const double NearlyAsGood = 0.85;

    /// <summary>The same while a sitting rises.</summary>
    public const double NearlyAsGoodRising = 0.5;

    /// <summary>What an item may be worth less than the best, in bits, and be as good all the same. The choice of items.</summary>
    public const double AsGoodWithin = 0.06;

    /// <summary>After so many wrong answers running an easier item is asked. The choice of items.</summary>
    public const int WrongRunning = 2;

    /// <summary>After so many, one that will very likely come right. The choice of items.</summary>
    public const int WrongRunningMuch = 3;

    /// <summary>After so many, to stop is offered; a child alone is asked one more that comes right. The end of a sitting.</summary>
    public const int WrongRunningEnough = 4;

    /// <summary>From this place on, counted from 0, a child for whom all came right is asked what is not taught yet.</summary>
    public const int BeyondFrom = 5;

    /// <summary>So many items of what is not taught yet. The choice of items.</summary>
    public const int MostBeyond = 2;

    /// <summary>An item to end on may come right less likely than the likeliest by so much, 0 to 1, where it is easier.</summary>
    public const double CloseWithin = 0.08;

    // When a sitting may stop.

    /// <summary>From this belief on, 0 to 1, what is not likely is still open. The end of a sitting.</summary>
    public const double OpenFrom = 0.2;

    /// <summary>So many answers in a row that were none are enough. The end of a sitting.</summary>
    public const int NoAnswersInARow = 3;

    /// <summary>For so many answers what is concluded has to have stayed the same. The end of a sitting.</summary>
    public const int SameConclusions = 3;

    /// <summary>No sitting is offered an end before so many answers. The end of a sitting.</summary>
    public const int FewestAnswers = 8;

    // Skills other than reading.

    /// <summary>How often, 0 to 1, one with a pattern answers its way. The belief in counting on and the halves of the day.</summary>
    public const double FollowsOtherPattern = 0.85;

    /// <summary>How often, 0 to 1, the answer is right otherwise. The same.</summary>
    public const double RightOtherwise = 0.5;

    /// <summary>The chance, 0 to 1, of any one other answer. The same.</summary>
    public const double ChanceOfOtherAnswer = 0.02;

    /// <summary>The belief, 0 to 1, that a prerequisite skill is there, before it is asked for. Prerequisite skills.</summary>
    public const double SkillPrior = 0.8;

    /// <summary>How often, 0 to 1, it comes right where the skill is there. Prerequisite skills.</summary>
    public const double RightWhenKnown = 0.95;

    /// <summary>How often, 0 to 1, it comes right where it is not. Prerequisite skills.</summary>
    public const double RightWhenNotKnown = 0.1;

    // Answers of several children to one face.

    /// <summary>
    /// How likely, 0 to 1, a wrong answer that another child gave as well must be of a child themselves, not to look copied. Copying.
    /// </summary>
    public const double LooksCopiedBelow = 0.05;

    // Hands, in hours and minutes.

    /// <summary>How far, in minutes, a minute hand may be off and be right: a tick either way. Scoring and likelihood.</summary>
    public const double MinuteHandTolerance = 1;

    /// <summary>How far, in hours, an hour hand may be off at o'clock and be right. Scoring and likelihood.</summary>
    public const double OClockTolerance = 0.1;

    /// <summary>
    /// How far, in hours, an hour hand may be off between numerals and be right, where places are scored finely. Scoring and likelihood.
    /// </summary>
    public const double PlaceTolerance = 0.2;

    /// <summary>How far, in hours, an hour hand may be from where a rule puts it and count as put there. Predictions of hands.</summary>
    public const double HourHandReach = 0.1;

    /// <summary>How far, in minutes, a minute hand may be from where a rule puts it and count as put there. Predictions of hands.</summary>
    public const double MinuteHandReach = 1.5;
}
