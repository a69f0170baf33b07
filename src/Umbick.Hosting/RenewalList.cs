using System.Threading.Channels;

namespace Umbick.Hosting;

/// <summary>
/// Children who are to be brought up to date. Those of whom something has come are taken first, each at most once in a while; then those
/// of whom what is kept is of before, as after a new version.
/// </summary>
public sealed class RenewalList(TimeProvider clock)
{
    private readonly Lock _lock = new();
    private readonly Dictionary<(SchoolId School, ChildId Child), DateTimeOffset> _due = [];
    private readonly Dictionary<(SchoolId School, ChildId Child), DateTimeOffset> _taken = [];
    private readonly Dictionary<SchoolId, DateTimeOffset> _lookedAt = [];
    private readonly Queue<(SchoolId School, ChildId Child)> _behind = [];
    private readonly Channel<bool> _added =
        Channel.CreateBounded<bool>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite });

    /// <summary>A child in the middle of a sitting is brought up to date at most once in this time.</summary>
    public static TimeSpan Between { get; } = TimeSpan.FromSeconds(15);

    /// <summary>Whoever looked at a list may look again within this time.</summary>
    public static TimeSpan Looking { get; } = TimeSpan.FromMinutes(10);

    /// <summary>When anything last came of a child.</summary>
    public DateTimeOffset LatestAdded { get; private set; }

    /// <summary>
    /// Adds children of whom something has come; while nobody looks at a list of their school, those of whom an answer has come are left to
    /// whoever looks first.
    /// </summary>
    /// <param name="school">Their school.</param>
    /// <param name="children">The children.</param>
    /// <param name="isLookedAt">Whether a list was just looked at.</param>
    public void Add(SchoolId school, IReadOnlyCollection<ChildId> children, bool isLookedAt)
    {
        lock (_lock)
        {
            LatestAdded = clock.GetUtcNow();
            if (isLookedAt) _lookedAt[school] = LatestAdded;
            else if (!_lookedAt.TryGetValue(school, out var looked) || looked + Looking < LatestAdded) return;
            foreach (var child in children)
            {
                var before = _taken.TryGetValue((school, child), out var taken) ? taken + Between : LatestAdded;
                _due.TryAdd((school, child), before > LatestAdded ? before : LatestAdded);
            }
        }
        _added.Writer.TryWrite(true);
    }

    /// <summary>Adds children of whom what is kept is of before.</summary>
    public void AddBehind(SchoolId school, IEnumerable<ChildId> children)
    {
        lock (_lock)
        {
            foreach (var child in children) _behind.Enqueue((school, child));
        }
        _added.Writer.TryWrite(true);
    }

    /// <summary>How many children of a school are still to be brought up to date.</summary>
    public int Left(SchoolId school)
    {
        lock (_lock) return _behind.Count(each => each.School == school) + _due.Keys.Count(each => each.School == school);
    }

    /// <summary>Whether any are left of whom what is kept is of before.</summary>
    public bool AnyBehind
    {
        get
        {
            lock (_lock) return _behind.Count > 0;
        }
    }

    /// <summary>Takes the next child; waits where none is due.</summary>
    public async Task<(SchoolId School, ChildId Child)> Next(CancellationToken cancel)
    {
        while (true)
        {
            var wait = Timeout.InfiniteTimeSpan;
            lock (_lock)
            {
                var now = clock.GetUtcNow();
                foreach (var old in _taken.Where(each => each.Value + Between < now).Select(each => each.Key).ToList()) _taken.Remove(old);
                if (_due.Count > 0)
                {
                    var (first, due) = _due.MinBy(each => each.Value);
                    if (due <= now)
                    {
                        _due.Remove(first);
                        _taken[first] = now;
                        return first;
                    }
                    wait = due - now;
                }
                if (_behind.TryDequeue(out var behind)) return behind;
            }
            using var either = CancellationTokenSource.CreateLinkedTokenSource(cancel);
            await Task.WhenAny(_added.Reader.ReadAsync(either.Token).AsTask(), Task.Delay(wait, clock, either.Token));
            await either.CancelAsync();
            cancel.ThrowIfCancellationRequested();
        }
    }
}
