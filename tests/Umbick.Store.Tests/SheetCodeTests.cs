
namespace Umbick.Store.Tests;

/// <summary>The code on a sheet: read however it is typed, and refused when a letter is wrong or two are swapped.</summary>
public sealed class SheetCodeTests
{
    private static readonly SheetCode Code = new("QAZ", "KLMN");

    [Fact]
    public void It_is_read_however_it_is_typed()
    {
        var shown = $"{Code}";
        Assert.Equal($"QAZ KLMN{Code.Check}", shown);
        foreach (var typed in new[] { shown, shown.ToLowerInvariant(), shown.Replace(" ", "", StringComparison.Ordinal),
            $" {shown.Replace(" ", " - ", StringComparison.Ordinal)} " })
            Assert.Equal(Code, SheetCode.Read(typed));
        foreach (var typed in new[] { null, "", "QAZ", $"{shown}B", "1234 5678", "next hour" }) Assert.Null(SheetCode.Read(typed));
    }

    [Fact]
    public void Every_wrong_letter_and_every_two_that_are_swapped_are_told()
    {
        var random = new Random(4);
        for (var drawn = 0; drawn < 200; drawn++)
        {
            var code = new SheetCode("QAZ", string.Concat(random.GetItems<char>(SheetCode.Alphabet, SheetCode.Drawn)));
            var letters = $"{code.Letters}{code.Check}";
            for (var at = 0; at < letters.Length; at++)
            {
                foreach (var other in SheetCode.Alphabet.Where(other => other != letters[at]))
                    Assert.Null(SheetCode.Read($"QAZ{letters[..at]}{other}{letters[(at + 1)..]}"));
                if (at == 0 || letters[at] == letters[at - 1]) continue;
                Assert.Null(SheetCode.Read($"QAZ{letters[..(at - 1)]}{letters[at]}{letters[at - 1]}{letters[(at + 1)..]}"));
            }
        }
    }
}
