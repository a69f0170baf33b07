namespace Umbick.Core.Items;

/// <summary>How a child went about a question, as the teacher saw it.</summary>
/// <param name="Id">Its id; it stands in the database and in files.</param>
/// <param name="Key">The one key that notes it.</param>
/// <param name="Name">What the teacher reads.</param>
public sealed record HowDone(string Id, char Key, string Name)
{
    /// <summary>The answer is another child's: it is kept, and says little of this one.</summary>
    public static HowDone Copied { get; } = new("copied", 'C', "copied from another child");

    /// <summary>Everything that can be noted.</summary>
    public static IReadOnlyList<HowDone> All { get; } =
    [
        new("hour-hand-first", 'H', "hour hand first"),
        new("minute-hand-first", 'M', "minute hand first"),
        new("counted-fives", 'F', "counted in fives"),
        new("counted-ones", 'O', "counted in ones"),
        new("counted-back", 'B', "counted back"),
        new("knew-it", 'K', "knew it"),
        new("landmark", 'L', "from a half or a quarter"),
        new("guessed", 'G', "guessed"),
        Copied,
    ];

    /// <summary>What only a drawing shows.</summary>
    public static IReadOnlyList<HowDone> OnPaper { get; } =
    [
        new("lengths-alike", 'A', "lengths alike"),
        new("lengths-exchanged", 'X', "lengths exchanged"),
        new("not-from-centre", 'C', "off centre"),
        new("over-numeral", 'V', "over the numeral"),
    ];

    /// <summary>The note with this id, or null.</summary>
    public static HowDone? Find(string? id) => All.Concat(OnPaper).FirstOrDefault(how => how.Id == id);
}
