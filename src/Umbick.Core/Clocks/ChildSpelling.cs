using System.Text.RegularExpressions;

namespace Umbick.Core.Clocks;

/// <summary>
/// Tidies a text that cannot be read as it stands, as children write: full stops and commas, words run together, "it's" before the time,
/// words spelled by their sound. What it gives is read once more; a text that can be read as it stands never comes here, so that no
/// reading changes for it.
/// </summary>
internal static partial class ChildSpelling
{
    /// <summary>Words of a time that are taken for nothing else, though they look like one.</summary>
    private static readonly HashSet<string> OtherWords =
        ["third", "thirds", "night", "light", "right", "might", "hours", "hands", "short", "front", "after", "about", "think"];

    /// <summary>Words as children spell them by their sound, where one letter more or less does not lead to them.</summary>
    private static readonly Dictionary<string, string> BySound = Sounds(
        ("one", "won wun oen"), ("two", "tow tw too tu"), ("three", "free fre thre tree frree thee"), ("four", "for fore foor faw fowr"),
        ("five", "fife fiv fivve fyve fve fif"), ("six", "siks sixs sics sicks sic"), ("seven", "sevn sevan sevin seveen savan sefen"),
        ("eight", "ate eit ait eigt eite eght egiht aight eihgt ayt"), ("nine", "nin nien nien nyne nien"), ("ten", "tenn tne"),
        ("eleven", "elevn elevan elven elevin ilevn ileven"), ("twelve", "twelv twelth twelf twelvth tweve twleve tuelv"),
        ("fifteen", "fiveteen fivteen fifeteen fiftn"), ("thirteen", "firteen thurteen"), ("forty", "fourty forti foty"),
        ("thirty", "firty thurty thurtey firtey fertee"), ("fifty", "fivety fity fivty fiftee"),
        ("twenty", "twenny tweny tweni twenney twennee twentee twenti twnty tuenty twunty twony"),
        ("half", "harf haf hafe hav halve hlaf arf hafl halfe hlf"),
        ("quarter", "quater quarta qwarter kwarter kwarta corter corta quatre quorter quorta qtr quter quart quarder qurater qarter kworter qwater"),
        ("past", "parst pas passed pasd pats pased pass paste pasts parsed arst"), ("after", "arfter afta arfta"), ("to", "ot"),
        ("o'clock", "oclok o'clok oclick oclook oclocks o'clocks aclock aclok ocloc o'cloc ocklock o'clcok oclcok oklock oclk o'cock clock clok"),
        ("minutes", "minits minuts minets minites minuets minnits mintes minits' minit minites min's"));

    private static readonly string[] Vocabulary =
    [
        .. Enumerable.Range(0, 20).Select(Wording.Number), .. Enumerable.Range(2, 8).Select(tens => Wording.Number(tens * 10)),
        "half", "quarter", "quarters", "past", "before", "o'clock", "minutes", "minute", "hundred", "midnight", "midday", "nought",
    ];

    /// <summary>The text in plain words and figures; the same where there is nothing to tidy.</summary>
    /// <param name="text">Lower case, with single spaces.</param>
    public static string Tidy(string text)
    {
        text = WithoutFrame(text);
        if (LetterFigures().IsMatch(text)) text = text.Replace('o', '0').Replace('l', '1');
        if (Marked().Match(text) is { Success: true } marked) return $"{marked.Groups["hour"].Value}:{marked.Groups["minutes"].Value}";
        text = FiguresAndLetters().Replace(LettersJoined().Replace(text, " "), " ");
        text = OClock().Replace(ClockFirst().Replace(text, "$1 o'clock"), " o'clock");
        text = Join(Words(text).SelectMany(Apart));
        // "Two" and "to" sound alike: which it is, its place tells.
        text = TwoAtTheEnd().Replace(text, "${before} two");
        text = ToBySound().Replace(text, "${amount} to ${hour}");
        text = Join(Words(text).Select(Spelled));
        text = ThreeQuarters().Replace(FiveAndTwenty().Replace(text, "twenty-five"), "45");
        if (HourAndMinutes().Match(text) is { Success: true } parts)
            return $"{parts.Groups["hour"].Value} {MinutesWord().Replace(parts.Groups["minutes"].Value, "")}";
        if (LongDay().Match(text) is { Success: true } day) return $"{day.Groups["hour"].Value}:{day.Groups["minutes"].Value}";
        return OpenEnd().IsMatch(text) ? $"{text} ?" : OpenStart().IsMatch(text) ? $"? {text}" : text;
    }

    /// <summary>The time in what is told as near and not as it is: "about 7", "nearly half past 6", "7ish"; else null.</summary>
    /// <param name="text">Lower case, with single spaces.</param>
    public static string? EstimatedIn(string text)
    {
        text = WithoutFrame(text);
        if (Between().Match(text) is { Success: true } between) return between.Groups["from"].Value;
        var near = Near().Match(text);
        return near.Success ? near.Groups["time"].Value : null;
    }

    /// <summary>Without what stands round a time: "it's", a full stop, "in the morning".</summary>
    private static string WithoutFrame(string text)
    {
        text = Before().Replace(Ends().Replace(text, ""), "");
        text = Exactly().Replace(HalfOfDay().Replace(text, ""), " o'clock");
        return QuarterSign().Replace(HalfSign().Replace(text, "half"), "quarter");
    }

    private static string Join(IEnumerable<string> words) => string.Join(' ', words);

    private static string[] Words(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Words run together, apart: halfpast, fivepast, pasttwo.</summary>
    private static IEnumerable<string> Apart(string word)
    {
        if (IsWord(word)) return [word];
        if (TensAndOnes().Match(word) is { Success: true } number) return [number.Groups[1].Value, number.Groups[2].Value];
        var joined = Joined().Match(word);
        string[] parts = [joined.Groups["amount"].Value, joined.Groups["way"].Value, joined.Groups["hour"].Value];
        // They are apart only where each is a word: "tomato" holds none.
        return joined.Success && parts.All(part => part.Length == 0 || IsWord(part) || TensAndOnes().IsMatch(part))
            ? parts.Where(part => part.Length > 0).SelectMany(Apart) : [word];
    }

    private static bool IsWord(string part) =>
        part is "after" or "to" or "till" or "til" || Vocabulary.Contains(part) || BySound.ContainsKey(part);

    private static string Spelled(string word)
    {
        if (word is "after" or "to" || Vocabulary.Contains(word) || OtherWords.Contains(word)) return word;
        if (BySound.TryGetValue(word, out var known)) return known;
        if (word.Length < 5) return word;
        var most = word.Length < 7 ? 1 : 2;
        for (var slips = 1; slips <= most; slips++)
        {
            var near = Vocabulary.Where(known => LetterSlips.Between(word, known) == slips).ToList();
            if (near.Count > 0) return near.Count == 1 ? near[0] : word;
        }
        return word;
    }

    private static Dictionary<string, string> Sounds(params (string Word, string Spellings)[] words) =>
        words.SelectMany(word => word.Spellings.Split(' ').Distinct().Select(spelling => (spelling, word.Word)))
            .ToDictionary(pair => pair.spelling, pair => pair.Word);

    [GeneratedRegex(@"^[\s.,!;:'""(]+(?=[a-z0-9])|(?<=\S)[.,!;:'"")?]+$")]
    private static partial Regex Ends();

    [GeneratedRegex(@"^((um+|er+m?|oh|i think|i fink|maybe|it'?s|it is|the time is|the time|time is|that'?s|that is|is|at)[ ,:]+)+")]
    private static partial Regex Before();

    [GeneratedRegex(@"(?<=^\S+) (exactly|sharp|dead|on the dot|precisely)$")]
    private static partial Regex Exactly();

    [GeneratedRegex(@" ?(in the (morning|afternoon|evening)|at night|(?<=[0-9a-z] ?)[ap]\.? ?m)$")]
    private static partial Regex HalfOfDay();

    [GeneratedRegex(@"^(½|1/2)(?= )")]
    private static partial Regex HalfSign();

    [GeneratedRegex(@"^(¼|1/4)(?= )")]
    private static partial Regex QuarterSign();

    [GeneratedRegex(@"^(?=.*[0-9])[0-9ol]{1,2}[:.,;][0-9ol]{1,2}$")]
    private static partial Regex LetterFigures();

    [GeneratedRegex(@"^(?<hour>[0-9]{1,2}) ?[:.,;_'*h-]+ ?(?<minutes>[0-9]{1,2})( ?(o ?'? ?clock|oc|h|hrs|hours))?$")]
    private static partial Regex Marked();

    [GeneratedRegex(@" (o|a|oh|of|0)[' ]+(c|k)l?o?c?k?s?(?=$| and )|(?<=[0-9a-z]) ?o'c$")]
    private static partial Regex OClock();

    [GeneratedRegex(@"^o ?'? ?clock (\S+)$")]
    private static partial Regex ClockFirst();

    [GeneratedRegex(@"(?<=[a-z])[-_,.;](?=[a-z0-9])|(?<=[0-9])[-_,](?=[a-z])")]
    private static partial Regex LettersJoined();

    [GeneratedRegex(@"(?<=[0-9])(?=[a-z])|(?<=[a-z])(?=[0-9])")]
    private static partial Regex FiguresAndLetters();

    [GeneratedRegex(@"^(?<amount>[a-z]*?)(?<way>past|after|to|till|til|before)(?<hour>[a-z]*)$")]
    private static partial Regex Joined();

    [GeneratedRegex(@"^(twenty|thirty|forty|fourty|fifty|sixty|seventy|eighty|ninety)(one|two|three|four|five|six|seven|eight|nine)$")]
    private static partial Regex TensAndOnes();

    [GeneratedRegex(@"^(?<before>.+ (past|after|to|too)) (to|too|tow|tu)$")]
    private static partial Regex TwoAtTheEnd();

    /// <summary>"Ten too five" is ten to five; "ten two five" could be figures one by one.</summary>
    [GeneratedRegex(@"^(?<amount>.+) (too|tow|tu) (?<hour>\S+)$|^(?<amount>.*(quar?ter|minutes?|mins?)) (two|2) (?<hour>\S+)$")]
    private static partial Regex ToBySound();

    [GeneratedRegex(@"\bfive and twenty\b")]
    private static partial Regex FiveAndTwenty();

    [GeneratedRegex(@"^(3|three) quarters(?= )")]
    private static partial Regex ThreeQuarters();

    [GeneratedRegex(@"^(?<hour>[a-z]+|[0-9]{1,2}) (o'clock|hours?)( and|,)? (?<minutes>[a-z]+([ -][a-z]+)?|[0-9]{1,2})( minutes?)?$"
        + @"|^(?<hour>[a-z]+|[0-9]{1,2}) and (?<minutes>[a-z]+([ -][a-z]+)?|[0-9]{1,2}) minutes?$")]
    private static partial Regex HourAndMinutes();

    [GeneratedRegex(@" minutes?$")]
    private static partial Regex MinutesWord();

    [GeneratedRegex(@"^(?<hour>1[3-9]|2[0-3]|00?) (?<minutes>[0-5][0-9])$")]
    private static partial Regex LongDay();

    [GeneratedRegex(@"^(an? )?[a-z0-9]+([ -](one|two|three|four|five|six|seven|eight|nine))?( minutes?)? (past|after|to|till|before)$")]
    private static partial Regex OpenEnd();

    [GeneratedRegex(@"^(past|after) [a-z0-9]+$")]
    private static partial Regex OpenStart();

    [GeneratedRegex(@"^(in )?(between|betwen) (?<from>\S+) and \S+$")]
    private static partial Regex Between();

    [GeneratedRegex(@"^(about|around|roughly|nearly|almost|near|close to|coming up to|(just|a (tiny |little )?bit|a little) (past|after|before|to|over))"
        + @" (?<time>.+)$|^(?<time>.+?)[ -]?ish$|^(?<time>.+) (or so|roughly|something|and a bit)$")]
    private static partial Regex Near();
}
