namespace Umbick.Cli.Tests;

/// <summary>Schools and teachers made from the command line, and what a site may start on.</summary>
public sealed class NewSchoolTests
{
    [Fact]
    public async Task A_school_is_made_with_its_first_teacher_and_others_are_added()
    {
        await using var database = await OwnDatabase.Make();
        var (code, _, errors) = await database.Run("may-start");
        Assert.Equal(2, code);
        Assert.Contains("There is no school yet", errors, StringComparison.Ordinal);

        (code, var output, errors) =
            await database.Run("new-school", "--name", "Skerry School", "--zone", "Europe/London", "--teacher", "Tern", "--user-name",
                "tern@skerry.example");
        Assert.True(code == 0, errors);
        var password = output.Split("Password:  ")[1].Trim();
        Assert.Equal(23, password.Length);
        Assert.Null(Casework.Accounts.PasswordRule.Fault(password));
        var hash = Assert.Single(
            await database.Ask<string>("select password_hash from account where normalized_user_name = 'TERN@SKERRY.EXAMPLE'"));
        Assert.DoesNotContain(password, hash, StringComparison.Ordinal);
        Assert.Equal(["Tern teacher True"],
            await database.Ask<string>("select display_name || ' ' || role || ' ' || initcap(in_charge::text) from person"));

        Assert.Equal(0, (await database.Run("add-teacher", "--teacher", "Knot", "--user-name", "knot@skerry.example")).Code);
        (code, _, errors) = await database.Run("add-teacher", "--teacher", "Knot", "--user-name", "KNOT@skerry.example");
        Assert.Equal(2, code);
        Assert.Contains("signs in as “KNOT@skerry.example” already", errors, StringComparison.Ordinal);
        Assert.Equal(2, (await database.Ask<int>("select 1 from person")).Count);
        Assert.Equal(0, (await database.Run("may-start")).Code);
    }

    [Theory]
    [InlineData("--zone", "Moon/Base", "No time zone is called")]
    [InlineData("--name", "", "A name has 1 to 120 letters")]
    [InlineData("--user-name", "a b c", "A user name has no spaces")]
    [InlineData("--teacher", "", "A name has 1 to 80 letters")]
    public async Task What_cannot_be_is_told_and_nothing_is_made(string option, string value, string told)
    {
        var options = new Dictionary<string, string>
        {
            ["--name"] = "Holm",
            ["--zone"] = "Europe/London",
            ["--teacher"] = "Tern",
            ["--user-name"] = "tern@holm.example",
            [option] = value
        };
        await using var database = await OwnDatabase.Make();
        var (code, _, errors) = await database.Run(["new-school", .. options.SelectMany(pair => new[] { pair.Key, pair.Value })]);
        Assert.Equal(2, code);
        Assert.Contains(told, errors, StringComparison.Ordinal);
        Assert.Empty(await database.Ask<string>("select name from school"));
    }

    [Fact]
    public async Task The_demonstration_and_a_school_keep_apart_and_an_older_database_is_not_started()
    {
        // The one that all tests share is marked as a demonstration.
        var (code, _, errors) = await VerbRun.Run(null, "may-start");
        Assert.Equal(2, code);
        Assert.Contains("demonstration data", errors, StringComparison.Ordinal);

        await using var database = await OwnDatabase.Make();
        Assert.Equal(0, (await database.Run("new-school", "--name", "Holm", "--zone", "Europe/London", "--teacher", "Tern", "--user-name",
            "tern@holm.example")).Code);
        (code, _, errors) = await database.Run("prepare", "--demo");
        Assert.Equal(2, code);
        Assert.Contains("holds a real school, Holm", errors, StringComparison.Ordinal);

        await database.Ask<int>("delete from schemaversions where scriptname like '%0015%'");
        (code, _, errors) = await database.Run("may-start");
        Assert.Equal(2, code);
        Assert.Contains("./umbick upgrade", errors, StringComparison.Ordinal);
    }
}
