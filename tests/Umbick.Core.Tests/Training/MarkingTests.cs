using Umbick.Core.Diagnosis;
using Umbick.Training;

namespace Umbick.Core.Tests;

/// <summary>Thirty answers to mark, and how far two agree.</summary>
public sealed class MarkingTests
{
    private static readonly TrainingPatterns Patterns = new(new ReadingModel());

    /// <summary>Tables of two who sorted a hundred things into three kinds, row by row; worked out by hand.</summary>
    [Theory]
    [InlineData("75 1 4  5 4 1  0 0 10", 0.676, 0.087)]
    [InlineData("20 5 0  10 15 0  0 0 50", 0.76, 0.055)]
    [InlineData("50 0 0  0 30 0  0 0 20", 1, 0)]
    [InlineData("25 25 0  25 25 0  0 0 0", 0, 0.100)]
    public void Kappa_is_what_the_table_gives(string table, double kappa, double error)
    {
        var counts = table.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(int.Parse).ToList();
        var pairs = counts.Index().SelectMany(cell => Enumerable.Repeat((cell.Index / 3, cell.Index % 3), cell.Item)).ToList();
        var found = Kappa.Of(pairs)!;
        Assert.Equal(kappa, found.Value, 0.002);
        Assert.Equal(Math.Min(1, kappa + (1.96 * error)), found.High, 0.006);
        Assert.Equal(Math.Max(-1, kappa - (1.96 * error)), found.Low, 0.006);
    }

    [Fact]
    public void Nothing_is_said_of_agreement_where_there_is_one_kind_alone_or_nothing()
    {
        Assert.Null(Kappa.Of(Enumerable.Repeat(("right", "right"), 10).ToList()));
        Assert.Null(Kappa.Of(new List<(string, string)>()));
    }

    [Fact]
    public void Thirty_answers_have_every_kind_and_every_mark_and_are_the_same_for_everybody()
    {
        var all = MarkingSet.Make(202649, Patterns);
        Assert.Equal(MarkingSet.Length, all.Count);
        Assert.Equal(all, MarkingSet.Make(202649, Patterns));
        Assert.Equal(["hands placed", "times in figures", "times in words"], all.Select(answer => answer.Kind).Distinct().Order());
        Assert.Equal(3, all.Select(answer => answer.Model).Distinct().Count());
        Assert.NotEqual(all, MarkingSet.Make(202650, Patterns));
    }

    [Fact]
    public void Whoever_marks_as_the_model_agrees_with_it_in_every_kind()
    {
        var all = MarkingSet.Make(7, Patterns);
        var marks = all.Select(answer => answer.Model).ToList();
        Assert.All(MarkingSet.Agreement(all, marks), kind => Assert.Equal(kind.Of, kind.Agreed));
        Assert.Equal(MarkingSet.Length, MarkingSet.Agreement(all, marks).Sum(kind => kind.Of));
        Assert.Equal(marks, MarkingSet.Read(MarkingSet.Write(marks)));
        Assert.Null(MarkingSet.Read("rx"));
        Assert.Null(MarkingSet.Read(new string('r', MarkingSet.Length + 1)));
    }
}
