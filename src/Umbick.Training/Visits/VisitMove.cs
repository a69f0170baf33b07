using Umbick.Core.Practice;

namespace Umbick.Training;

/// <summary>What an adult does in a visit.</summary>
/// <param name="Kind">What.</param>
/// <param name="Child">Which child, from 0, where it is done to one.</param>
/// <param name="Rung">The rung that is given.</param>
public readonly record struct VisitMove(VisitMoveKind Kind, int Child = 0, Rung Rung = Rung.Waited)
{
    /// <summary>A visit that goes on longer than this is over.</summary>
    public const int Most = 120;

    /// <summary>Moves as they stand in an address: <c>w</c> wait, <c>d</c> boards down, <c>n</c> next, <c>b2</c> the third rung to the
    /// second child.</summary>
    public static string Write(IEnumerable<VisitMove> moves) => string.Concat(moves.Select(move => move.Kind switch
    {
        VisitMoveKind.Wait => "w",
        VisitMoveKind.BoardsDown => "d",
        VisitMoveKind.Next => "n",
        _ => $"{(char)('a' + move.Child)}{(int)move.Rung}",
    }));

    /// <summary>Moves that stand so; null where they cannot be.</summary>
    public static IReadOnlyList<VisitMove>? Read(string? text)
    {
        var moves = new List<VisitMove>();
        for (var i = 0; i < (text ?? "").Length; i++)
        {
            if (moves.Count == Most) return null;
            switch (text![i])
            {
                case 'w': moves.Add(new(VisitMoveKind.Wait)); break;
                case 'd': moves.Add(new(VisitMoveKind.BoardsDown)); break;
                case 'n': moves.Add(new(VisitMoveKind.Next)); break;
                case >= 'a' and <= 'c' when i + 1 < text.Length && text[i + 1] is >= '1' and <= '4':
                    moves.Add(new(VisitMoveKind.Rung, text[i] - 'a', (Rung)(text[i + 1] - '0')));
                    i++;
                    break;
                default: return null;
            }
        }
        return moves;
    }
}

/// <summary>The kinds of what an adult does.</summary>
public enum VisitMoveKind
{
    /// <summary>Waits for five seconds.</summary>
    Wait,

    /// <summary>Has the boards lie face down until all are ready.</summary>
    BoardsDown,

    /// <summary>Gives a child a rung.</summary>
    Rung,

    /// <summary>Goes on to the next clock.</summary>
    Next,
}
