using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Drawing;

/// <summary>One question on a sheet: what is asked, the clock, and where the answer is written, ticked, joined or drawn.</summary>
/// <param name="item">The item.</param>
/// <param name="support">The help on its face.</param>
/// <param name="number">Its number on the sheet.</param>
/// <param name="preferences">How clocks are drawn and times are said.</param>
/// <param name="column">How wide a column is, in millimetres.</param>
/// <param name="gap">How much is between two columns.</param>
internal sealed class SheetCell(Item item, Support support, int number, TeachingPreferences preferences, double column, double gap)
{
    /// <summary>How wide every face to be read or drawn on is, in millimetres.</summary>
    public const double FaceAcross = 45;

    private const double LineHeight = 5, AnswerHeight = 11, OptionHeight = 6.5, HourPlaceHeight = 5.4;

    private readonly Wording _wording = preferences.Wording;
    private readonly AnswerBox _box = AnswerBoxes.BoxFor(item);

    private IReadOnlyList<ClockTime> Clocks => ClockLetters.Clocks(item);

    /// <summary>Over how many columns it goes.</summary>
    public int Columns => Clocks.Count > 1 ? 3 : HasEmptyFace ? 2 : 1;

    /// <summary>How much height it needs, in millimetres.</summary>
    public double Height => (Ask.Count * LineHeight) + 2 + FacesHeight + AnswersHeight + 2;

    private double Width => (Columns * column) + ((Columns - 1) * gap);

    private IReadOnlyList<string> Ask => TextWidth.Lines(item.AskOnPaper(_wording), "ask", Width - 7);

    private bool HasEmptyFace => item.Task == ClockTasks.CopyClock || item.Task == ClockTasks.RepairClock;

    private Face? Clock => item switch
    {
        { OtherSkill.Given: OtherSkillItems.WholeFace } => new Face(FaceSize.Large) { Blank = true },
        { Task.Id: TaskIds.NamePart, OtherSkill.Given: not "figures" } =>
            new Face(FaceSize.Large) { Hands = HandPositions.Showing(new ClockTime(10, 10)) },
        { Task.Id: TaskIds.RepairClock, Claim: PlacedAnswer { Hands: { } wrong } } => new Face(FaceSize.Large) { Hands = wrong },
        { Clocks.Count: > 0 } or { Task.Id: TaskIds.ChooseClock } => null,
        _ when item.Task == ClockTasks.CopyClock => new Face(FaceSize.Large) { Hands = HandPositions.Showing(item.Time) },
        _ when _box is AnswerBox.Hands or AnswerBox.HandAndTime => ToDrawIn,
        { Task.ShowsClock: true } =>
            new Face(FaceSize.Large)
            {
                Hands = HandPositions.Showing(item.Time),
                Only = Face.OnlyOf(item.Task),
                Support = support,
                InWords = item.IsInWords
            },
        _ => null,
    };

    /// <summary>A face in which both hands are to be drawn, or the one that is missing.</summary>
    private Face ToDrawIn
    {
        get
        {
            var (hour, minute) = AnswerBoxes.LooseHands(item);
            return new Face(FaceSize.Large)
            {
                Hands = (hour && minute) || item.Task == ClockTasks.SetMinutes ? null : HandPositions.Showing(item.Time),
                Only = hour ? OneHand.Minute : OneHand.Hour,
            };
        }
    }

    private string? Large => item.Task.Stimulus switch
    {
        _ when item.OtherSkill is not null || _box is AnswerBox.Hands or AnswerBox.Clocks => null,
        Stimulus.Words => _wording.Words(item.Time),
        Stimulus.Figures => _wording.Digital(item.Time),
        _ => null,
    };

    private double FaceHeight(Face face) => FaceAcross * FaceDrawing.Edge(face, preferences.Dial) / FaceDrawing.Rim;

    private double FacesHeight => Clock is { } clock ? FaceHeight(clock) : Clocks.Count > 0 ? FaceAcross + 8 : Large is null ? 4 : 16;

    private IReadOnlyList<string> Options => _box switch
    {
        AnswerBox.Clocks => [],
        AnswerBox.HourPlace => ["exactly on it", "a little past", "halfway", "nearly at the next"],
        AnswerBox.Choice => [.. item.OtherSkill!.Choices.Select(_wording.Fill)],
        AnswerBox.Times or AnswerBox.Several => [.. item.Choices.Select(choice => choice.ToChoose(_wording))],
        _ => [],
    };

    private double AnswersHeight => _box switch
    {
        AnswerBox.Hands or AnswerBox.Numerals or AnswerBox.Clocks => 0,
        AnswerBox.Times or AnswerBox.Several or AnswerBox.Choice => Options.Count * OptionHeight,
        AnswerBox.HourPlace => 4 * HourPlaceHeight,
        AnswerBox.Verdict or AnswerBox.VerdictInWords => AnswerHeight + OptionHeight,
        AnswerBox.Pairs => 18,
        AnswerBox.Places => 2 * AnswerHeight,
        _ => AnswerHeight,
    };

    /// <summary>Its shapes, from its upper left corner.</summary>
    /// <param name="height">The height it is given, in millimetres.</param>
    public IReadOnlyList<Shape> Draw(double height)
    {
        List<Shape> shapes = [new Text("number", 0, 4, $"{number}.")];
        foreach (var (line, i) in Ask.Select((line, i) => (line, i)))
            shapes.Add(new Text("ask", 7, 4 + (i * LineHeight), line));
        // What is left over stands between the question and the clock, and under it.
        var spare = Math.Max(0, height - Height) / 3;
        var y = (Ask.Count * LineHeight) + 2 + spare;
        AddFaces(shapes, y);
        AddAnswers(shapes, y + FacesHeight + (spare / 2));
        return shapes;
    }

    private void AddFaces(List<Shape> shapes, double y)
    {
        if (Clock is { } clock)
        {
            var middle = y + (FaceHeight(clock) / 2);
            Put(clock, HasEmptyFace ? Width * 0.27 : Width / 2, middle);
            if (HasEmptyFace) Put(new Face(FaceSize.Large), Width * 0.73, middle);
        }
        else if (Clocks.Count > 0)
        {
            var each = Width / Clocks.Count;
            foreach (var (time, i) in Clocks.Select((time, i) => (time, i)))
            {
                var x = (i + 0.5) * each;
                Put(new Face(FaceSize.Large) { Hands = HandPositions.Showing(time) }, x, y + (FaceAcross / 2) + 1);
                if (_box == AnswerBox.Pairs) shapes.Add(new Disc("dot", x, y + FaceAcross + 5, 1));
                else
                {
                    shapes.Add(new Box("tick-box", x - 9, y + FaceAcross + 3, 4.5, 4.5));
                    shapes.Add(new Text("letter", x, y + FaceAcross + 7, $"{ClockLetters.LetterAt(i)}"));
                }
            }
        }
        else if (Large is { } large)
        {
            foreach (var (line, i) in TextWidth.Lines(large, "large", Width).Select((line, i) => (line, i)))
                shapes.Add(new Text("large", Width / 2, y + 8 + (i * 9), line));
        }

        void Put(Face face, double x, double at) =>
            shapes.Add(new Group(x, at, FaceAcross / 2 / FaceDrawing.Rim, FaceDrawing.Shapes(face, preferences)));
    }

    private void AddAnswers(List<Shape> shapes, double y)
    {
        var (middle, line) = (Width / 2, y + 9);
        switch (_box)
        {
            case AnswerBox.Hands or AnswerBox.Numerals or AnswerBox.Clocks:
                break;
            case AnswerBox.Words when item.Time.Minute == 0:
                Write(4, Width - 4);
                break;
            case AnswerBox.Words:
                InWordsAt(line, 0);
                break;
            case AnswerBox.Verdict or AnswerBox.VerdictInWords:
                Tick(4, y + 5, "Yes");
                Tick(22, y + 5, "No, it is");
                line = y + 5 + AnswerHeight;
                if (_box == AnswerBox.VerdictInWords) InWordsAt(line, 0);
                else FiguresAt(line);
                break;
            case AnswerBox.HourPlace:
                Write(0, 13);
                foreach (var (option, i) in Options.Select((option, i) => (option, i)))
                    Tick(15, y + 4 + (i * HourPlaceHeight), option);
                break;
            case AnswerBox.Times or AnswerBox.Several or AnswerBox.Choice:
                foreach (var (option, i) in Options.Select((option, i) => (option, i)))
                    Tick(8, y + 5 + (i * OptionHeight), option);
                break;
            case AnswerBox.Pairs:
                var each = Width / item.Choices.Count;
                foreach (var (choice, i) in item.Choices.Select((choice, i) => (choice, i)))
                {
                    shapes.Add(new Disc("dot", (i + 0.5) * each, y + 9, 1));
                    shapes.Add(new Text("answer-middle", (i + 0.5) * each, y + 15, choice.ToChoose(_wording)));
                }
                break;
            case AnswerBox.Places:
                shapes.Add(new Text("answer", 0, line, "Short: between"));
                shapes.Add(new Line("write", 32, line + 1, 41, line + 1));
                shapes.Add(new Text("answer", 42, line, "and"));
                shapes.Add(new Line("write", 50, line + 1, Math.Min(59, Width), line + 1));
                shapes.Add(new Text("answer", 0, line + AnswerHeight, "Long: at"));
                shapes.Add(new Line("write", 20, line + AnswerHeight + 1, 32, line + AnswerHeight + 1));
                break;
            case AnswerBox.Feel:
                Write(8, middle);
                shapes.Add(new Text("answer", middle + 2, line, "seconds"));
                break;
            case AnswerBox.Keys when item.OtherSkill is not null || item.Task.Form == AnswerForm.Minutes:
                Write(middle - 14, middle + 14);
                break;
            default:
                FiguresAt(line);
                break;
        }

        void Write(double from, double to) => shapes.Add(new Line("write", from, line + 1, to, line + 1));

        void FiguresAt(double at)
        {
            shapes.Add(new Line("write", middle - 16, at + 1, middle - 3, at + 1));
            shapes.Add(new Text("answer-middle", middle, at, $"{_wording.Mark}"));
            shapes.Add(new Line("write", middle + 3, at + 1, middle + 16, at + 1));
        }

        void InWordsAt(double at, double from)
        {
            var words = $"{_wording.Past} / {_wording.To}";
            var wide = TextWidth.Of(words, "answer");
            var each = (Width - from - wide - 4) / 2;
            shapes.Add(new Line("write", from, at + 1, from + each, at + 1));
            shapes.Add(new Text("answer", from + each + 2, at, words));
            shapes.Add(new Line("write", from + each + wide + 4, at + 1, Width, at + 1));
        }

        void Tick(double x, double at, string words)
        {
            shapes.Add(new Box("tick-box", x, at - 3.6, 4.2, 4.2));
            shapes.Add(new Text("answer", x + 6, at, words));
        }
    }
}
