namespace Umbick.Core.Diagnosis;

/// <summary>
/// Remembers where replays stood at the beginning of their last sitting. While that sitting goes on, each answer is replayed from there: a
/// child with a year behind them is asked as quickly as a new one. What is remembered is named by every answer before it, so that one
/// entered late or put right is another name, and is replayed whole.
/// </summary>
internal sealed class ReplayMemory
{
    /// <summary>About as many children as are asked at one time; each takes a little over a megabyte.</summary>
    private const int Most = 48;

    private readonly Lock _lock = new();
    private readonly Dictionary<string, ReplayCourse> _courses = [];

    /// <summary>The names, the one that was longest not asked for at the front.</summary>
    private readonly LinkedList<string> _names = [];

    /// <summary>
    /// A replay that stands at the beginning of a sitting on this day, after sittings that are known by these ids; or null.
    /// </summary>
    public ReplayCourse? Find(IEnumerable<string?> before, DateOnly day)
    {
        if (NameOf(before, day) is not { } name) return null;
        lock (_lock)
        {
            if (!_courses.TryGetValue(name, out var course)) return null;
            _names.Remove(name);
            _names.AddLast(name);
            // Copied under the lock, so that nobody changes what is remembered.
            return course.Copy();
        }
    }

    /// <summary>
    /// Remembers a replay that stands at the beginning of a sitting on this day, after sittings that are known by these ids.
    /// </summary>
    public void Keep(IEnumerable<string?> before, DateOnly day, ReplayCourse course)
    {
        if (NameOf(before, day) is not { } name) return;
        var copy = course.Copy();
        lock (_lock)
        {
            if (_courses.TryAdd(name, copy)) _names.AddLast(name);
            if (_names.Count <= Most) return;
            _courses.Remove(_names.First!.Value);
            _names.RemoveFirst();
        }
    }

    /// <summary>What is remembered under; null where a sitting has no id, or there is none.</summary>
    private static string? NameOf(IEnumerable<string?> before, DateOnly day)
    {
        var ids = before.ToList();
        return ids.Count == 0 || ids.Contains(null) ? null : $"{string.Join(' ', ids)} {day:O}";
    }
}
