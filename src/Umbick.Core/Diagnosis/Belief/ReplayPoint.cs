using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>
/// Where a replay stood at the end of a sitting, before any day had loosened it: another replay goes on from here, and comes to the same
/// as if it had begun at the first answer. It can be made again from the answers at any time.
/// </summary>
/// <param name="Name">What all sittings up to here are known by: <see cref="SittingName.Chain"/>.</param>
/// <param name="State">The state, written.</param>
public sealed record ReplayPoint(string Name, byte[] State)
{
    private const byte Form = 1;

    /// <summary>So many sittings are replayed as quickly as a point is read.</summary>
    public const int FewestSittings = 3;

    /// <summary>Points are kept at the ends of so many days, the latest: an answer that is put right is mostly one of the last.</summary>
    public const int MostDays = 3;

    /// <summary>
    /// The places of sittings at whose ends a replay of all of them may stand still and be gone on from, the latest first. On the same day
    /// nothing is loosened, so that every share matters, however small: only from the last sitting of a day can be gone on.
    /// </summary>
    /// <param name="sittings">The sittings, the earliest first.</param>
    public static IEnumerable<int> Places(IReadOnlyList<SittingName> sittings)
    {
        for (var (place, days) = (sittings.Count - 1, 0); place >= FewestSittings - 1 && days < MostDays; place--)
        {
            if (place < sittings.Count - 1 && sittings[place].Day == sittings[place + 1].Day) continue;
            days++;
            yield return place;
        }
    }

    internal static ReplayPoint From(string name, Belief belief, IReadOnlyDictionary<Pattern, int> lastLikely,
        IReadOnlyDictionary<Pattern, (bool Holds, int Sitting)> words, IReadOnlyList<int> notExplained)
    {
        using var bytes = new MemoryStream();
        using var to = new BinaryWriter(bytes);
        to.Write(Form);
        to.Write7BitEncodedInt(lastLikely.Count);
        foreach (var (pattern, sitting) in lastLikely)
        {
            to.Write(pattern.Id);
            to.Write7BitEncodedInt(sitting);
        }
        to.Write7BitEncodedInt(words.Count);
        foreach (var (pattern, word) in words)
        {
            to.Write(pattern.Id);
            to.Write(word.Holds);
            to.Write7BitEncodedInt(word.Sitting);
        }
        to.Write7BitEncodedInt(notExplained.Count);
        foreach (var index in notExplained) to.Write7BitEncodedInt(index);
        belief.Write(to);
        to.Flush();
        return new ReplayPoint(name, bytes.ToArray());
    }

    /// <summary>Reads the state; null where it cannot be read, as after a change of its form: then it is made again.</summary>
    internal ReplayState? Read(ReadingModel model)
    {
        using var from = new BinaryReader(new MemoryStream(State));
        try
        {
            if (from.ReadByte() != Form) return null;
            var lastLikely = new Dictionary<Pattern, int>();
            for (var left = from.Read7BitEncodedInt(); left > 0; left--)
                lastLikely[PatternOf(from.ReadString())] = from.Read7BitEncodedInt();
            var words = new Dictionary<Pattern, (bool, int)>();
            for (var left = from.Read7BitEncodedInt(); left > 0; left--)
                words[PatternOf(from.ReadString())] = (from.ReadBoolean(), from.Read7BitEncodedInt());
            var notExplained = new List<int>();
            for (var left = from.Read7BitEncodedInt(); left > 0; left--) notExplained.Add(from.Read7BitEncodedInt());
            return new ReplayState(Belief.Read(model, from), lastLikely, words, notExplained);
        }
        catch (Exception broken) when (broken is InvalidDataException or EndOfStreamException or FormatException
            or IndexOutOfRangeException)
        {
            return null;
        }
    }

    private static Pattern PatternOf(string id) => Catalogue.Find(id) ?? throw new InvalidDataException($"There is no pattern {id}.");
}

/// <summary>What a replay has come to after some sittings.</summary>
/// <param name="Belief">What is believed.</param>
/// <param name="LastLikely">The last sitting in which each pattern was likely.</param>
/// <param name="Words">What the teacher said last of each pattern, and after which sitting.</param>
/// <param name="NotExplained">Places of wrong answers that nothing explained when they were given.</param>
internal sealed record ReplayState(
    Belief Belief, Dictionary<Pattern, int> LastLikely, Dictionary<Pattern, (bool Holds, int Sitting)> Words,
    IReadOnlyList<int> NotExplained);
