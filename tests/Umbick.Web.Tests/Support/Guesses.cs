using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Passwords, time codes and children's codes guessed side by side, from one address and from fifty, and an unsigned flood: <c>./umbick
/// bench web</c> runs it; the tests do not.
/// </summary>
public sealed class Guesses(Site site) : IClassFixture<Site>
{
    private const int Tries = 500;

    [Theory(Explicit = true)]
    [Trait("Kind", "Load")]
    [InlineData(1)]
    [InlineData(50)]
    public async Task Heard_of_five_hundred(int addresses)
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        await site.App.InSchool(site.A,
            connection => connection.ExecuteAsync("update account set two_factor = true where id = @id", new { id = person.Id }));
        var sitting = await site.OnScreen(site.A, (await site.Child(site.A)).Id);
        using var school = await Visitor.TeacherOf(site.Address, site.TeacherOfA);
        var strangers = Enumerable.Range(0, addresses)
            .Select(number => new Visitor(site.Address, from: $"127.0.{10 + addresses}.{number + 1}")).ToList();

        var passwords = await Guess(strangers, "/", "Sign in",
            new() { ["userName"] = person.UserName, ["password"] = "a guess of a stranger" }, "do not go together");
        var right = await site.Code(site.A, sitting);
        var wrong = new CodeText(right[..3], CodeText.Read(right)!.Figures == "9999999" ? "0000000" : "9999999").ToString();
        var children = await Guess(strangers, "/go", "Begin", new() { ["code"] = wrong }, "does not open anything");
        var codes = 0;
        await Parallel.ForEachAsync(Enumerable.Range(0, Tries), new ParallelOptions { MaxDegreeOfParallelism = 15 }, async (i, cancel) =>
        {
            var counted = await site.App.BeforeSchool(connection =>
                DoorTries.Count(connection, true, person.UserName, [.. BitConverter.GetBytes(i % addresses), .. new byte[28]]), cancel);
            if (counted.Outcome == DoorOutcome.Open) Interlocked.Increment(ref codes);
        });

        // Meanwhile the school goes on: a child's right code from there opens.
        await Visitor.AssertSentTo("/turn", await school.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) }));
        Console.WriteLine($"guesses from {addresses} addresses, {Tries} at once, heard: {passwords} passwords, {codes} time codes, "
            + $"{children} children's codes; a right code from the school opened");
        strangers.ForEach(stranger => stranger.Dispose());
    }

    /// <summary>How long a page takes while twenty strangers try passwords.</summary>
    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task Pages_while_strangers_have_passwords_hashed()
    {
        using var teacher = await Visitor.TeacherOf(site.Address, site.TeacherOfA);
        var before = await Median(teacher);
        using var over = new CancellationTokenSource();
        var strangers = Enumerable.Range(0, 20).Select(async number =>
        {
            using var stranger = new Visitor(site.Address, from: $"127.0.200.{number + 1}");
            var (action, fields) = await stranger.Form("/", "Sign in");
            while (!over.IsCancellationRequested)
            {
                (fields["userName"], fields["password"]) = ($"{Guid.NewGuid():N}@nobody.example", "a guess of a stranger");
                using var answer = await stranger.Post(action, fields);
            }
        }).ToList();
        var meanwhile = await Median(teacher);
        await over.CancelAsync();
        await Task.WhenAll(strangers);
        Console.WriteLine($"guesses: a page took {before:0} ms in the middle before, {meanwhile:0} ms while twenty strangers tried "
            + $"passwords without a pause");
    }

    /// <summary>
    /// Two thousand unsigned requests, as large as they may be and larger, with names that nobody has; and a file of very many parts.
    /// </summary>
    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task Memory_after_a_flood()
    {
        using var process = await Site.Another();
        using var teacher = await Visitor.TeacherOf(process.Address, site.TeacherOfA);
        for (var round = 0; round < 20; round++) foreach (var path in new[] { "/day", "/children", "/patterns", "/settings", "/people" })
            await teacher.Get(path);
        var warm = process.Megabytes;
        await Parallel.ForEachAsync(Enumerable.Range(0, 50), new ParallelOptions { MaxDegreeOfParallelism = 50 }, async (number, _) =>
        {
            using var stranger = new Visitor(process.Address, from: $"127.0.210.{number + 1}");
            var (action, fields) = await stranger.Form("/", "Sign in");
            for (var i = 0; i < 40; i++)
            {
                (fields["userName"], fields["password"]) = ($"{Guid.NewGuid():N}{new string('n', i % 2 == 0 ? 200 : 15_000)}", "a guess");
                if (i % 10 == 9) fields["userName"] = new string('n', 4_000_000);
                try
                {
                    using var answer = await stranger.Post(action, fields);
                }
                catch (HttpRequestException)
                {
                    // One that is too large may be cut off.
                }
            }
        });
        var peak = process.PeakMegabytes;
        await Task.Delay(TimeSpan.FromSeconds(60));
        var after = process.Megabytes;
        Console.WriteLine($"memory: warm {warm} MB; flood of 2,000 unsigned requests, peak {peak} MB, a minute later {after} MB "
            + $"({(double)after / warm:0.00} times)");

        foreach (var (kind, name, file) in new[]
        {
            ("record", "record.json", $"[{string.Join(',', Enumerable.Repeat("{}", 6_300_000))}]"),
            ("record", "record.json",
                $"{{\"file\":\"umbick-child-record\",\"form\":1,\"record\":{{\"child\":[{string.Join(',', Enumerable.Repeat("{}", 300_000))}]}}}}"),
            ("", "answers.csv", $"child,date,task,given,answer\n{string.Concat(Enumerable.Range(0, 600_000).Select(i => $"a{i % 50},2026-03-02,read-digital,4:00,4\n"))}"),
        })
        {
            process.ForgetPeak();
            var (before, bytes) = (process.Megabytes, file.Length / 1_000_000.0);
            var (_, fields) = await teacher.Form("/files", "Read it");
            using var content = new MultipartFormDataContent
                { { new StringContent(fields["__RequestVerificationToken"]), "__RequestVerificationToken" },
                    { new StringContent(file), "file", name } };
            using var request = new HttpRequestMessage(HttpMethod.Post, kind.Length > 0 ? "/files?handler=record" : "/files")
            { Content = content };
            using var answer = await teacher.Send(request);
            if (answer.Headers.Location is { } job)
                while ((await teacher.Page(job.OriginalString)).Body!.TextContent.Contains("being read", StringComparison.Ordinal))
                    await Task.Delay(200);
            Console.WriteLine($"memory: a file of {bytes:0.0} MB ({name}): {before} MB before, peak {process.PeakMegabytes} MB, so "
                + $"{process.PeakMegabytes - before} MB where 32 + 20 × body is {32 + (20 * bytes):0}");
        }
    }

    private static async Task<double> Median(Visitor teacher)
    {
        var times = new List<double>();
        for (var i = 0; i < 60; i++)
        {
            var clock = System.Diagnostics.Stopwatch.StartNew();
            using var answer = await teacher.Get("/settings");
            times.Add(clock.Elapsed.TotalMilliseconds);
        }
        return times.Order().ElementAt(30);
    }

    private static async Task<int> Guess(
        List<Visitor> strangers, string path, string press, Dictionary<string, string> values, string heard)
    {
        var forms = await Task.WhenAll(strangers.Select(async stranger => (Stranger: stranger, Form: await stranger.Form(path, press))));
        var answers = await Task.WhenAll(Enumerable.Range(0, Tries).Select(async i =>
        {
            var (stranger, (action, fields)) = forms[i % forms.Length];
            var filled = new Dictionary<string, string>(fields);
            foreach (var (name, value) in values) filled[name] = value;
            if (filled.ContainsKey("press")) filled["press"] = Guid.NewGuid().ToString();
            using var answer = await stranger.Post(action, filled);
            return await answer.Content.ReadAsStringAsync();
        }));
        return answers.Count(page => page.Contains(heard, StringComparison.Ordinal));
    }
}
