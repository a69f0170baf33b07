using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Training;

/// <summary>A child at one clock of a visit.</summary>
/// <param name="Child">Who.</param>
/// <param name="Board">What stands on the board, as it would be typed; null while the child thinks.</param>
/// <param name="IsShown">Whether it is held up.</param>
/// <param name="CameRight">Whether it has come right, alone or by a rung.</param>
/// <param name="Copied">From whom it was copied, from 0; null where it was not.</param>
public sealed record AtTheClock(SeatedChild Child, string? Board, bool IsShown, bool CameRight, int? Copied);

/// <summary>Something that a visit's adult is told of.</summary>
/// <param name="Face">At which clock, from 1.</param>
/// <param name="Item">The clock.</param>
/// <param name="Child">Who.</param>
/// <param name="Seconds">After how many seconds.</param>
/// <param name="Rung">The rung that was given; null where none was.</param>
/// <param name="Would">When the child would have answered by themselves, in seconds; or the rung that would have done.</param>
public sealed record VisitNoted(int Face, Item Item, SeatedChild Child, int Seconds, Rung? Rung, int Would);

/// <summary>Where it showed that a child copies.</summary>
/// <param name="Face">At which clock, from 1.</param>
/// <param name="Item">The clock.</param>
/// <param name="Said">What they held up.</param>
/// <param name="From">Whose answer it was.</param>
/// <param name="Alone">What they would have said alone.</param>
public sealed record CopyShown(int Face, Item Item, string Said, SeatedChild From, string Alone);

/// <summary>
/// A visit with three made-up children round one clock, of whom one copies: played move by move. The same number and the same moves are
/// the same visit.
/// </summary>
public sealed class TrainingVisit
{
    /// <summary>How many clocks it has.</summary>
    public const int Faces = 5;

    private const int WaitSeconds = 5, RungSeconds = 4, CopySeconds = 2;

    private static readonly string[] Aliases =
        ["Bramble", "Curlew", "Dunlin", "Lichen", "Marram", "Samphire", "Sedge", "Teasel", "Thrift"];

    private static readonly (string Practised, string Beside, string[] Times)[] Practice =
    [
        ("next-hour", "fives-from-twelve", ["4:20", "7:40", "2:50", "9:10", "5:35"]),
        ("numeral-as-minutes", "next-hour", ["8:35", "4:20", "2:50", "10:25", "6:40"]),
        ("hands-swapped", "numeral-as-minutes", ["4:00", "10:30", "2:20", "7:45", "8:10"]),
    ];

    private readonly List<VisitNoted> _tooSoon = [];
    private readonly List<VisitNoted> _notWaitedFor = [];
    private readonly List<VisitNoted> _tooHigh = [];
    private readonly List<CopyShown> _copies = [];
    private readonly string?[] _boards = new string?[3];
    private readonly int?[] _copied = new int?[3];
    private readonly bool[] _right = new bool[3];
    private readonly int[] _answeredAt = new int[3];
    private bool _boardsDown;

    /// <summary>Plays a visit.</summary>
    /// <param name="seed">Its number.</param>
    /// <param name="moves">What the adult does.</param>
    public TrainingVisit(int seed, IEnumerable<VisitMove> moves)
    {
        var random = new Random(unchecked(seed * 2_654_435));
        var (practised, beside, times) = Practice[random.Next(Practice.Length)];
        Pattern = Catalogue.Find(practised)!;
        Clocks = [.. times.OrderBy(_ => random.Next()).Select(time => new Item(ClockTasks.ReadDigital, ClockTime.TryParse(time)!.Value))];
        var names = Aliases.OrderBy(_ => random.Next()).Take(3).ToList();
        var manners = new[] { Manner.Slow, Manner.Quick, Manner.Copier }.OrderBy(_ => random.Next()).ToList();
        // The one who copies has another way of their own: so it can be seen whose answer it is.
        Children = [.. names.Zip(manners, (name, manner) =>
            new SeatedChild(name, manner, manner == Manner.Copier ? Catalogue.Find(beside)! : Pattern, seed))];
        foreach (var move in moves)
        {
            if (IsOver) break;
            Play(move);
        }
    }

    /// <summary>The pattern that is practised.</summary>
    public Pattern Pattern { get; }

    /// <summary>The three.</summary>
    public IReadOnlyList<SeatedChild> Children { get; }

    /// <summary>The clocks.</summary>
    public IReadOnlyList<Item> Clocks { get; }

    /// <summary>Which clock it is, from 0.</summary>
    public int Face { get; private set; }

    /// <summary>How many seconds this clock has been there.</summary>
    public int Seconds { get; private set; }

    /// <summary>Whether all clocks are done.</summary>
    public bool IsOver => Face >= Faces;

    /// <summary>Whether boards lie face down until all are ready.</summary>
    public bool BoardsDown => _boardsDown;

    /// <summary>The children as they sit now.</summary>
    public IReadOnlyList<AtTheClock> Now =>
        [.. Children.Select((child, i) => new AtTheClock(child, _boards[i], _boards[i] is not null && (!_boardsDown || AllReady), _right[i],
            _copied[i]))];

    /// <summary>Rungs that were given while the child was still thinking.</summary>
    public IReadOnlyList<VisitNoted> TooSoon => _tooSoon;

    /// <summary>Who was still thinking when it went on.</summary>
    public IReadOnlyList<VisitNoted> NotWaitedFor => _notWaitedFor;

    /// <summary>Rungs where a lower one would have done.</summary>
    public IReadOnlyList<VisitNoted> TooHigh => _tooHigh;

    /// <summary>Where it showed that a child copies.</summary>
    public IReadOnlyList<CopyShown> Copies => _copies;

    private bool AllReady => Array.TrueForAll(_boards, board => board is not null);

    private void Play(VisitMove move)
    {
        switch (move.Kind)
        {
            case VisitMoveKind.BoardsDown when Seconds == 0: _boardsDown = true; break;
            case VisitMoveKind.Wait: Pass(WaitSeconds); break;
            case VisitMoveKind.Rung: Give(move.Child, move.Rung); break;
            case VisitMoveKind.Next: GoOn(); break;
        }
    }

    /// <summary>Seconds go by: whoever has thought long enough answers, and the one who copies looks at whoever has.</summary>
    private void Pass(int seconds)
    {
        for (var second = 0; second < seconds; second++)
        {
            Seconds++;
            for (var i = 0; i < Children.Count; i++)
            {
                if (_boards[i] is not null) continue;
                var child = Children[i];
                var shown = Enumerable.Range(0, Children.Count).Where(other => other != i && _boards[other] is not null && !_boardsDown
                    && Seconds >= _answeredAt[other] + CopySeconds).Select(other => (int?)other).FirstOrDefault();
                if (child.Manner == Manner.Copier && shown is { } from) Copy(i, from);
                else if (Seconds >= child.ThinksAbout(Face)) Answer(i, child.AnswersAlone(Clocks[Face], Face));
            }
        }
    }

    private void Answer(int child, string board) =>
        (_boards[child], _answeredAt[child], _right[child]) = (board, Seconds, board == SeatedChild.Right(Clocks[Face]));

    private void Copy(int child, int from)
    {
        Answer(child, _boards[from]!);
        _copied[child] = from;
        var alone = Children[child].AnswersAlone(Clocks[Face], Face);
        // A right answer tells nothing: it may be their own.
        if (!_right[child] && alone != _boards[from])
            _copies.Add(new(Face + 1, Clocks[Face], _boards[from]!, Children[from], alone));
    }

    private void Give(int child, Rung rung)
    {
        var (who, item) = (Children[child], Clocks[Face]);
        if (_right[child]) return;
        if (_boards[child] is null)
        {
            _tooSoon.Add(new(Face + 1, item, who, Seconds, rung, who.ThinksAbout(Face)));
            if (rung == Rung.Told) Answer(child, SeatedChild.Right(item));
        }
        else if (rung >= who.Needs(Face) || rung == Rung.Told)
        {
            if (rung > who.Needs(Face)) _tooHigh.Add(new(Face + 1, item, who, Seconds, rung, (int)who.Needs(Face)));
            Answer(child, SeatedChild.Right(item));
        }
        Pass(RungSeconds);
    }

    private void GoOn()
    {
        for (var i = 0; i < Children.Count; i++)
        {
            if (_boards[i] is null)
                _notWaitedFor.Add(new(Face + 1, Clocks[Face], Children[i], Seconds, null, Children[i].ThinksAbout(Face)));
        }
        (Face, Seconds, _boardsDown) = (Face + 1, 0, false);
        Array.Clear(_boards);
        Array.Clear(_copied);
        Array.Clear(_right);
    }
}
