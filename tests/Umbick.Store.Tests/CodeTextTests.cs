namespace Umbick.Store.Tests;

/// <summary>Codes as they are shown and typed.</summary>
public sealed class CodeTextTests
{
    [Theory]
    [InlineData("KRT", "4271908", "KRT 4271 9082")]
    [InlineData("BCD", "0000000", "BCD 0000 0002")]
    [InlineData("ZZZ", "9999999", "ZZZ 9999 9999")]
    public void Is_shown_with_its_check_figure(string mark, string figures, string shown) =>
        Assert.Equal(shown, new CodeText(mark, figures).ToString());

    [Theory]
    [InlineData("KRT 4271 9082")]
    [InlineData("krt42719082")]
    [InlineData(" KRT-4271.9082 ")]
    [InlineData("ＫＲＴ　４２７１　９０８２")]
    [InlineData("KRT ٤٢٧١ ٩٠٨٢")]
    public void Is_read_however_it_is_typed(string typed) => Assert.Equal(new CodeText("KRT", "4271908"), CodeText.Read(typed));

    [Theory]
    [InlineData("")]
    [InlineData("KRT 4271 908")]
    [InlineData("KRT 4271 90822")]
    [InlineData("4271 9082 KRT")]
    [InlineData("KR4 T271 9082")]
    [InlineData("KRT 4271 908²")]
    public void Is_not_read_where_it_is_none(string typed) => Assert.Null(CodeText.Read(typed));

    /// <summary>
    /// Of random codes, each figure changed and each two neighbours swapped: none passes. Of letters, nine in ten are told.
    /// </summary>
    [Fact]
    public void Tells_every_wrong_figure_and_every_two_that_are_swapped()
    {
        const string letters = "BCDFGHJKLMNPQRSTVWXZ";
        var random = new Random(7);
        var (changed, passed) = (0, 0);
        for (var i = 0; i < 300; i++)
        {
            var shown = new CodeText(string.Concat(random.GetItems<char>(letters, 3)),
                random.Next(10_000_000).ToString("D7", null)).ToString().Replace(" ", "", StringComparison.Ordinal);
            for (var place = 3; place < shown.Length; place++)
            {
                for (var figure = '0'; figure <= '9'; figure++)
                    if (figure != shown[place]) Assert.Null(CodeText.Read($"{shown[..place]}{figure}{shown[(place + 1)..]}"));
                if (place + 1 < shown.Length && shown[place] != shown[place + 1])
                    Assert.Null(CodeText.Read($"{shown[..place]}{shown[place + 1]}{shown[place]}{shown[(place + 2)..]}"));
            }
            for (var place = 0; place < 3; place++)
            {
                foreach (var letter in letters.Where(letter => letter != shown[place]))
                {
                    changed++;
                    if (CodeText.Read($"{shown[..place]}{letter}{shown[(place + 1)..]}") is not null) passed++;
                }
            }
        }
        Assert.InRange((double)passed / changed, 0, 0.12);
    }
}
