using Umbick.Core.Items;

namespace Umbick.Web.Pages;

/// <summary>What keys do at one place of the work.</summary>
/// <param name="Place">The place, as the menu names it; empty where it holds everywhere.</param>
/// <param name="Heading">What stands above the list.</param>
/// <param name="Keys">The keys, and what each does.</param>
public sealed record KeyList(string Place, string Heading, IReadOnlyList<(string[] Keys, string Does)> Keys)
{
    /// <summary>Every list, as they are shown.</summary>
    public static IReadOnlyList<KeyList> All { get; } =
    [
        new("", "Everywhere", [
            (["Ctrl", "Enter"], "the next thing to do: the amber press"),
            (["/"], "finds a child, where nothing is being typed"),
            (["?"], "these keys, where nothing is being typed"),
            (["Esc"], "closes them"),
            (["Tab"], "to the next thing on the page; Shift and Tab back"),
        ]),
        new("ask", "Asking", [
            (["Enter"], "keeps the answer and goes on"),
            (["."], "right"), (["-"], "no answer"), (["?"], "does not know"),
            ([">"], "what stands in the box was said first"),
            (["!"], "you helped with a word"),
            (["="], "said, written, placed, pointed to"),
            (["←"], "one back, from an empty box"), (["→"], "leaves the question out"),
            (["z", "x", "c", "v", "b"], "the answers that stand ready, while they are open"),
            .. HowDone.All.Select(how => (new[] { $"{how.Key}" }, how.Name)),
        ]),
        new("children", "The answers of a class", [
            (["."], "right, and on to the next box"), (["-"], "left blank, and on"),
            (["Enter"], "on to the next box; Shift and Enter back"),
            (["↑", "↓"], "the child above, the child below"),
        ]),
        new("paper", "A sheet that came back", [
            (["1"], "right, and on"), (["2"], "as it stands beside the clock, and on; of several a, b or c"),
            (["3"], "something else: type it as it is written, then Enter"), (["0"], "left blank, and on"),
            (["U"], "back to the row before"), (["↑", "↓"], "the row above, the row below"),
            .. HowDone.OnPaper.Select(how => (new[] { $"{how.Key}" }, $"drawn hands: {how.Name}")),
        ]),
        new("practise", "A visit", [
            (["."], "right, and on to the next child"), (["-"], "no answer, and on"),
            (["Enter"], "on to the next child; at the last, keeps them all"),
            (["F2"], "shows and folds away what the children need not see: answers to press, what to say"),
        ]),
        new("clock", "The clock", [
            (["←", "→"], "a minute back, a minute on"), (["↑", "↓"], "five minutes on, five back"),
            (["q", "h", "o"], "a quarter, a half, an hour; with Shift back"),
            (["Enter"], "tells, and goes on"), (["c"], "counts"), (["f"], "the whole screen"),
        ]),
        new("clock", "A hand that has the focus", [
            (["←", "→"], "a minute, or a twentieth of an hour; with Shift less"),
            (["Page up", "Page down"], "five minutes, or an hour"),
            (["Home"], "to the top"), (["space"], "it is right where it is"),
        ]),
    ];
}
