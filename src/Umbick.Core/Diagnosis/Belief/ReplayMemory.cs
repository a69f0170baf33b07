namespace Umbick.Core.Diagnosis;

/// <summary>
/// Remembers the sittings before one that goes on, with a point from which they are replayed: each of its answers is then taken in without
/// reading what came before. It is counted in bytes, and the one that was longest not asked for gives way.
/// </summary>
internal sealed class ReplayMemory
{
    /// <summary>A hundred and fifty children with a year behind each.</summary>
    private const long MostBytes = 64_000_000;

    /// <summary>About what an answer takes, with its item and its readings held against the model.</summary>
    private const int BytesOfAnswer = 500;

    private readonly Lock _lock = new();
    private readonly Dictionary<string, LinkedListNode<Remembered>> _byName = [];

    /// <summary>The one that was longest not asked for at the front.</summary>
    private readonly LinkedList<Remembered> _all = [];
    private long _bytes;

    /// <summary>Sittings with a point among them to go on from.</summary>
    /// <param name="Name">What they are known by.</param>
    /// <param name="Sittings">The sittings.</param>
    /// <param name="Observed">Their answers, held against the model.</param>
    /// <param name="Point">The point; null where they are few.</param>
    public sealed record Remembered(
        string Name, IReadOnlyList<SittingAnswers> Sittings, IReadOnlyList<ObservedAnswer> Observed, ReplayPoint? Point)
    {
        public long Bytes { get; } = (Point?.State.Length ?? 0) + (Observed.Count * BytesOfAnswer);
    }

    /// <summary>What is remembered under a name; null where nothing is.</summary>
    public Remembered? Find(string name)
    {
        lock (_lock)
        {
            if (!_byName.TryGetValue(name, out var node)) return null;
            _all.Remove(node);
            _all.AddLast(node);
            return node.Value;
        }
    }

    /// <summary>Remembers sittings.</summary>
    public void Keep(Remembered remembered)
    {
        lock (_lock)
        {
            if (_byName.Remove(remembered.Name, out var before)) Drop(before);
            _byName[remembered.Name] = _all.AddLast(remembered);
            _bytes += remembered.Bytes;
            while (_bytes > MostBytes && _all.First is { } oldest && oldest.Value != remembered)
            {
                _byName.Remove(oldest.Value.Name);
                Drop(oldest);
            }
        }
    }

    /// <summary>Forgets everything: it is made again from the answers.</summary>
    public void Forget()
    {
        lock (_lock)
        {
            _byName.Clear();
            _all.Clear();
            _bytes = 0;
        }
    }

    private void Drop(LinkedListNode<Remembered> node)
    {
        _all.Remove(node);
        _bytes -= node.Value.Bytes;
    }
}
