namespace Umbick.Web.Tests;

/// <summary>What a first visit costs a school with a slow network: bytes, requests, and what moves while it comes.</summary>
public sealed class WeightTests(Site site) : IClassFixture<Site>
{
    private const string Bytes =
        "return performance.getEntriesByType('navigation').concat(performance.getEntriesByType('resource')).reduce((sum, part) => sum + "
            + "part.transferSize, 0)";

    /// <summary>A tenth of what browsers' makers call good: less than a line of text by its own height.</summary>
    private const double MostMoved = 0.01;

    [Theory]
    [InlineData("/day")]
    [InlineData("/children")]
    [InlineData("/patterns")]
    [InlineData("/clock")]
    public async Task A_teacher_s_first_page_is_light_and_nothing_in_it_moves(string path)
    {
        for (var more = 0; more < 3; more++) await site.Child(site.A);
        using var teacher = Browser.SignedIn(site.Address, site.TeacherOfA);
        teacher.ForgetFiles();
        teacher.Open(path);
        teacher.AwaitScript("return document.readyState === 'complete' && document.fonts.status === 'loaded'");
        var bytes = teacher.Script<long>(Bytes);
        TestContext.Current.TestOutputHelper?.WriteLine($"{path}: {bytes / 1000} kB");
        Assert.InRange(bytes, 20_000, 250_000);
        Assert.InRange(teacher.Shifted(), 0, MostMoved);
    }

    [Fact]
    public async Task A_child_s_first_page_is_light_comes_once_and_nothing_in_it_moves()
    {
        var child = await site.Child(site.A);
        var code = await site.Code(site.A,
            await site.OnScreen(site.A, child.Id, "read-digital", "read-words", "set-from-digital", "judge"));
        using var tablet = new Browser(site.Address);
        tablet.ForgetFiles();
        tablet.Open("/go");
        var before = tablet.Script<long>(Bytes);
        ChildAtScreen.Enter(tablet, code);
        tablet.Await("#turn[data-kept]");
        tablet.AwaitScript("return document.fonts.status === 'loaded'");
        var bytes = before + tablet.Script<long>(Bytes);
        TestContext.Current.TestOutputHelper?.WriteLine($"/go and /turn: {bytes / 1000} kB");
        Assert.InRange(bytes, 20_000, 110_000);
        Assert.InRange(tablet.Shifted(), 0, MostMoved);
        Assert.Equal(1, tablet.Script<long>(
            "return performance.getEntriesByType('resource').filter(part => part.name.endsWith('handler=ahead')).length"));
    }

    [Fact]
    public async Task Files_are_compressed_and_named_by_what_is_in_them()
    {
        using var anybody = new Visitor(site);
        var page = await anybody.Page("/");
        var files = page.QuerySelectorAll("link[rel=stylesheet], script[src]")
            .Select(part => part.GetAttribute("href") ?? part.GetAttribute("src")!).ToList();
        Assert.True(files.Count > 3);
        foreach (var file in files)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, file);
            request.Headers.Add("Accept-Encoding", "br");
            var answer = await anybody.Send(request);
            Assert.Equal(["br"], answer.Content.Headers.ContentEncoding);
            Assert.Equal("max-age=31536000, immutable", answer.Headers.GetValues("Cache-Control").Single());
        }
    }
}
