using Umbick.Core.Diagnosis;

namespace Umbick.Core.Tests;

/// <summary>Children as a teacher would tell of them: the model concludes what the teacher does, and calls nothing else.</summary>
public sealed class ToldChildrenTests
{
    private const double Agreement = 0.95;
    private static readonly ReadingModel Model = new();

    [Fact]
    public void The_model_concludes_what_the_teacher_does()
    {
        var come = ToldChild.All.Select(child => (Child: child, Conclusion: Concluded(child))).ToList();
        var differ = come.Where(each => !Agrees(each.Child, each.Conclusion)).ToList();
        foreach (var (child, conclusion) in differ)
            TestContext.Current.TestOutputHelper?.WriteLine(
                $"{child.Story} is {string.Join(", ", child.Is)}; concluded {InWords(conclusion)}");
        Assert.InRange(come.Count, 100, 1000);
        Assert.InRange(differ.Count, 0, (int)((1 - Agreement) * come.Count));
    }

    [Fact]
    public void Nothing_is_called_that_the_teacher_would_not_call()
    {
        var wrongly = ToldChild.All
            .Select(child => (child.Story,
            Called: Concluded(child).Likely.Select(finding => finding.Pattern.Id).Except(child.Is).Except(child.Perhaps).ToList()))
            .Where(each => each.Called.Count > 0)
            .Select(each => $"{each.Story} called {string.Join(", ", each.Called)}");
        Assert.True(!wrongly.Any(), string.Join("\n", wrongly));
    }

    /// <summary>What the teacher concludes is possible or likely, and nothing else is, but what they would not rule out.</summary>
    private static bool Agrees(ToldChild child, Conclusion conclusion)
    {
        var concluded = Named(conclusion).ToHashSet();
        return child.Is.IsSubsetOf(concluded) && concluded.All(id => child.Is.Contains(id) || child.Perhaps.Contains(id));
    }

    private static IEnumerable<string> Named(Conclusion conclusion) =>
    [
        .. conclusion.Findings.Where(finding => finding.Label is Label.Likely or Label.Possible).Select(finding => finding.Pattern.Id),
        .. conclusion.OtherAt.Select(other => other.Id),
        .. conclusion.IsGuessing ? ["guessing"] : Array.Empty<string>(),
    ];

    private static string InWords(Conclusion conclusion) =>
        string.Join(", ", conclusion.Findings.Select(finding =>
            $"{finding.Pattern.Id} {finding.Belief:0.00} {finding.Label} {finding.Evidence.ItsWay}/{finding.Evidence.Answers.Count}")
        .Concat(conclusion.OtherWays.Select(other =>
        $"other-{other.Step} {other.Belief:0.00} {other.Label} {other.Answers.Count}/{other.Telling}"))
            .Append($"guessing {conclusion.Guessing:0.00}"));

    private static Conclusion Concluded(ToldChild child)
    {
        var belief = new Belief(Model);
        foreach (var answer in child.Answers) belief.Update(answer);
        return Conclusion.From(Model, belief, ObservedAnswer.All(Model, child.Answers));
    }
}
