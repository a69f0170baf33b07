namespace Umbick.Drawing;

/// <summary>Which point of a text is given.</summary>
internal enum TextAt
{
    /// <summary>Where its first sign begins, on the line.</summary>
    Start,

    /// <summary>Its middle, on the line.</summary>
    Middle,

    /// <summary>Where its last sign ends, on the line.</summary>
    End,

    /// <summary>The middle of its signs.</summary>
    Centre,
}

/// <summary>How a shape looks on paper: in greys alone, so that a copier loses nothing.</summary>
internal sealed record Ink
{
    private const string Black = "#000000", White = "#ffffff", Grey = "#595959", Light = "#e3e3e3", Lighter = "#f2f2f2";

    /// <summary>The colour inside; null for none.</summary>
    public string? Fill { get; private init; }

    /// <summary>The colour of its line; null for none.</summary>
    public string? Stroke { get; private init; }

    /// <summary>How broad its line is.</summary>
    public double Width { get; private init; }

    /// <summary>The lengths of dashes and of the gaps between; none for a whole line.</summary>
    public double Dash { get; private init; }

    /// <summary>Whether its line lies under what is inside.</summary>
    public bool StrokeUnder { get; private init; }

    /// <summary>How large a text is.</summary>
    public double Size { get; private init; }

    /// <summary>Whether a text is bold.</summary>
    public bool Bold { get; private init; }

    /// <summary>Which point of a text is given.</summary>
    public TextAt At { get; private init; }

    private static readonly Dictionary<string, Ink> Styles = new()
    {
        // Faces, whose rim is at 97.
        ["face-ground"] = new() { Fill = White, Stroke = Black, Width = 2.2 },
        ["tick"] = Stroked(1.1),
        ["tick tick-numeral"] = Stroked(2.4),
        ["numeral"] = Said(20, TextAt.Centre),
        ["minute-number"] = Said(13, TextAt.Centre, bold: true) with { Fill = Grey },
        ["half-word"] = Said(12, TextAt.Middle) with { Fill = Grey },
        ["half half-past"] = new() { Fill = Lighter, Stroke = Grey, Width = 1, Dash = 4 },
        ["half half-to"] = new() { Stroke = Grey, Width = 1, Dash = 4 },
        ["hour-space"] = new() { Fill = Light, Stroke = Grey, Width = 1, Dash = 3 },
        ["hand hand-true hand-hour"] = Hand,
        ["hand hand-true hand-minute"] = Hand,
        ["hand-second"] = Stroked(0.9),
        ["face-pin"] = Hand,
        ["hand hand-cut"] = new() { Fill = White, Stroke = Black, Width = 0.35 },

        // Pages, in millimetres.
        ["title"] = Said(7.5, TextAt.Start, bold: true),
        ["heading"] = Said(5.2, TextAt.Start, bold: true),
        ["heading-plain"] = Said(5.6, TextAt.Start),
        ["name"] = Said(4.4, TextAt.Start),
        ["name-end"] = Said(4.4, TextAt.End),
        ["code"] = Said(4.8, TextAt.End, bold: true),
        ["number"] = Said(3.9, TextAt.Start, bold: true),
        ["ask"] = Said(3.9, TextAt.Start),
        ["large"] = Said(8, TextAt.Middle),
        ["answer"] = Said(4.4, TextAt.Start),
        ["answer-middle"] = Said(4.4, TextAt.Middle),
        ["small"] = Said(3.2, TextAt.Start) with { Fill = Grey },
        ["small-middle"] = Said(3.2, TextAt.Middle) with { Fill = Grey },
        ["letter"] = Said(4.8, TextAt.Middle, bold: true),
        ["card"] = Said(62, TextAt.Centre, bold: true),
        ["strip-number"] = Said(5.5, TextAt.Middle, bold: true),
        ["write"] = Stroked(0.35),
        ["rule"] = Stroked(0.5),
        ["tick-box"] = new() { Stroke = Black, Width = 0.35 },
        ["dot"] = new() { Fill = Black },
        ["module"] = new() { Fill = Black },
        ["cut"] = new() { Stroke = Grey, Width = 0.3, Dash = 2 },
        ["edge"] = new() { Stroke = Black, Width = 0.5 },
        ["overlay"] = new() { Fill = Light, Stroke = Grey, Width = 0.4, Dash = 2 },
        ["pin"] = new() { Fill = White, Stroke = Black, Width = 0.3 },
    };

    private static Ink Hand => new() { Fill = Black, Stroke = White, Width = 1.6, StrokeUnder = true };

    /// <summary>How a style looks.</summary>
    /// <exception cref="KeyNotFoundException">Paper knows no such style.</exception>
    public static Ink For(string style) => Styles[style];

    private static Ink Stroked(double width) => new() { Stroke = Black, Width = width };

    private static Ink Said(double size, TextAt at, bool bold = false) => new() { Fill = Black, Size = size, At = at, Bold = bold };
}
