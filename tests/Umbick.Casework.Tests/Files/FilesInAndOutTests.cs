using System.Text;
using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Casework.Tests;

/// <summary>Answers and children go out as CSV and come in again, whole or not at all.</summary>
public sealed class FilesInAndOutTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private const string Head = "child,date,task,given,answer,sitting,kind,by\n";

    private static readonly DateTime Now = new(2026, 11, 27, 9, 0, 0, DateTimeKind.Utc);

    [Fact]
    public async Task Answers_that_were_read_in_are_read_by_the_model_as_if_they_had_been_asked()
    {
        var alias = Fresh();
        var text = Head + string.Concat(
            new[] { ("4:00", "12:20"), ("9:00", "12:45"), ("2:30", "6:10"), ("7:20", "4:35"), ("10:15", "3:50"), ("8:40", "8:40") }.Select(
                each => $"{alias},2026-03-02,read-digital,{each.Item1},{each.Item2},,,\n"));
        var report = await Import(schools.A, text);
        Assert.Equal((6, 1, 6, 0), (report.Lines, report.Children, report.Added, report.ThereBefore));
        Assert.Equal([alias], report.NewChildren);
        var record = await Record(schools.A, alias);
        Assert.Equal("hands-swapped", record.First[0].Finding.Pattern.Id);
        Assert.Equal(new DateOnly(2026, 3, 2), Assert.Single(record.Sittings).Day);
        Assert.Equal(Stage.FiveMinutesTo, record.Child.Stage);
    }

    [Fact]
    public async Task The_same_file_twice_adds_nothing_and_a_dry_run_never_does()
    {
        var text = $"{Head}{Fresh()},2026-03-02,read-digital,4:00,12:20,,,\n";
        Assert.Equal(1, (await Import(schools.A, text, dryRun: true)).Added);
        Assert.Equal(1, (await Import(schools.A, text)).Added);
        var again = await Import(schools.A, text);
        Assert.Equal((0, 1), (again.Added, again.ThereBefore));
        Assert.Empty(again.NewChildren);
    }

    [Fact]
    public async Task A_sitting_that_was_read_in_before_with_other_answers_is_told_with_its_line_and_nothing_is_added()
    {
        var (alias, other) = (Fresh(), Fresh());
        await Import(schools.A, $"{Head}{alias},2026-03-02,read-digital,4:00,12:20,,,\n");
        var report = await Import(schools.A,
            $"{Head}{other},2026-03-02,read-digital,4:00,4:00,,,\n{alias},2026-03-02,read-digital,4:00,5:20,,,\n");
        Assert.Contains("line 3: ", Assert.Single(report.Errors).ToString(), StringComparison.Ordinal);
        Assert.Empty(await schools.InA(connection => Children.ByAlias(connection, [other])));
        // Under a number of its own it is another sitting of the day.
        Assert.Equal(1, (await Import(schools.A, $"{Head}{alias},2026-03-02,read-digital,4:00,5:20,2,,\n")).Added);
        Assert.Equal(2, (await Record(schools.A, alias)).Sittings.Count);
    }

    [Theory]
    [InlineData("cold:next-hour")]
    [InlineData("form:B")]
    [InlineData("practice")]
    [InlineData("asking")]
    public async Task A_kind_of_sitting_goes_out_as_it_came_in(string kind)
    {
        var alias = Fresh();
        await Import(schools.B,
            $"{Head}{alias},2026-03-02,read-digital,4:35,5:35,1,{kind},child\n{alias},2026-03-02,set-from-digital,7:40,7.67|40,1,{kind},child\n");
        var lines = (await Export(schools.B)).Split('\n').Where(line => line.StartsWith(alias, StringComparison.Ordinal)).ToList();
        Assert.Equal(2, lines.Count);
        Assert.All(lines, line => Assert.EndsWith($",1,{kind},child", line, StringComparison.Ordinal));
    }

    /// <summary>All that a school has asked goes out, comes in at another, and goes out from there as the same text.</summary>
    [Fact]
    public async Task What_one_school_writes_another_reads_and_writes_again_the_same()
    {
        var (from, to) = (Guid.NewGuid(), Guid.NewGuid());
        foreach (var school in new[] { from, to })
            await schools.Owner.InSchool(school, connection => Schools.Add(connection, new School(school, $"{school:N}")));
        var model = new ReadingModel();
        for (var i = 0; i < 3; i++) await Asked(from, model, i);
        var written = await Export(from);
        Assert.True(written.Split('\n').Length > 30, written);
        var report = await Import(to, written);
        Assert.Equal((3, report.Lines), (report.Children, report.Added));
        Assert.Equal(written, await Export(to));
        // And at home it is all there already.
        Assert.Equal(0, (await Import(from, written)).Added);
        foreach (var school in new[] { from, to }) await schools.Owner.InSchool(school, Schools.Erase);
    }

    [Theory]
    [InlineData("child,class\nFennel,Tide class\nFennel,Lamp class\n", "line 3, column 1: “Fennel” stands on line 2 already.")]
    [InlineData("child,klass\nFennel,Tide class\n", "line 1, column 2: No column is called “klass”.")]
    [InlineData("class,stage\nTide class,9\n", "line 1: The column “child” is missing.")]
    [InlineData("child,stage\nFennel,13\n", "line 2, column 2: “13” is no stage")]
    [InlineData("child,caseload\nFennel,maybe\n", "line 2, column 2: “maybe” is neither yes nor no.")]
    [InlineData("child,keep-until\nFennel,soon\n", "line 2, column 2: “soon” is no date such as 2029-07-31.")]
    [InlineData("child\nFennel,9\n", "line 2, column 2: There are 2 cells")]
    [InlineData("child,child\nFennel,Fennel\n", "line 1, column 2: The column “child” stands there twice.")]
    [InlineData("", "line 1: The file is empty.")]
    public void What_is_wrong_with_a_file_of_children_is_told_with_its_place(string text, string told)
    {
        var (lines, errors) = ChildrenFile.Read(new MemoryStream(Encoding.UTF8.GetBytes(text)));
        Assert.Empty(lines);
        Assert.StartsWith(told, errors[0].ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Children_are_added_and_what_a_file_does_not_say_stays()
    {
        var (known, fresh) = (Fresh(), Fresh());
        await ImportChildren($"child,class,stage,keep-until\n{known},Tide class,9,2029-07-31\n");
        await ImportChildren($"child,class\n{known},Lamp class\n{fresh},Lamp class\n");
        var listed = (await schools.InA(Children.Aliases)).Where(child => child.Alias == known || child.Alias == fresh)
            .OrderBy(child => child.Alias == fresh).ToList();
        Assert.Equal(("Lamp class", Stage.FiveMinutesTo, new DateOnly(2029, 7, 31)),
            (listed[0].ClassName, listed[0].Stage, listed[0].KeepUntil));
        Assert.Equal(("Lamp class", Stage.OClock, null), (listed[1].ClassName, listed[1].Stage, listed[1].KeepUntil));
        Assert.Contains($"{known},Lamp class,9,yes,2029-07-31\n", await ExportChildren(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task At_the_year_s_end_classes_change_names_with_each_other_and_stages_move_on()
    {
        var (text, other) = (Fresh(), Fresh());
        var (tide, lamp) = ($"Tide {text}", $"Lamp {text}");
        await ImportChildren($"child,class,stage\n{text},{tide},9\n{other},{lamp},12\n");
        Assert.Equal(2, await schools.InA(connection => Children.MoveOn(connection, [tide, lamp], [lamp, tide], [1, 1])));
        var listed = (await schools.InA(Children.Aliases)).ToDictionary(child => child.Alias, child => (child.ClassName, child.Stage));
        Assert.Equal((lamp, Stage.EveryMinute), listed[text]);
        // Beyond the last stage there is none.
        Assert.Equal((tide, Stage.BeforeAndAfter), listed[other]);
    }

    private static string Fresh() => $"Pip {Guid.NewGuid():N}"[..16];

    private async Task Asked(SchoolId school, ReadingModel model, int seed)
    {
        var child = await schools.Child(school);
        var simulated = new Simulation.SimulatedChild(model, [Catalogue.Find("next-hour")!], 0.8, new Random(seed));
        var asking = new Asking(model, TimeProvider.System);
        await schools.App.InSchool(school, async connection =>
        {
            var sitting = (await asking.Start(connection, child))!.Value;
            for (var place = 1; place <= 12; place++)
            {
                var item = (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == place).Item;
                await asking.Answer(connection, sitting,
                    new Submission(Guid.NewGuid(), place, simulated.Answer(item, AnswerMode.Said), AnswerMode.Said, null),
                    seed == 0 ? null : Guid.NewGuid());
            }
        });
    }

    private Task<ImportReport> Import(SchoolId school, string text, bool dryRun = false)
    {
        var (lines, errors) = AnswersFile.Read(new MemoryStream(Encoding.UTF8.GetBytes(text)));
        Assert.Empty(errors);
        return schools.App.InSchool(school,
            connection => AnswersImport.Run(connection, lines, Guid.NewGuid(), onCaseload: true, dryRun, Now));
    }

    private Task ImportChildren(string text)
    {
        var (lines, errors) = ChildrenFile.Read(new MemoryStream(Encoding.UTF8.GetBytes(text)));
        Assert.Empty(errors);
        return schools.InA(connection => ChildrenFile.Run(connection, lines, null, dryRun: false, Now));
    }

    private async Task<string> Export(SchoolId school)
    {
        await using var text = new StringWriter();
        await schools.App.InSchool(school, connection => AnswersExport.Write(connection, text));
        return text.ToString();
    }

    private async Task<string> ExportChildren()
    {
        await using var text = new StringWriter();
        await schools.InA(connection => ChildrenFile.Write(connection, text));
        return text.ToString();
    }

    private async Task<ChildRecord> Record(SchoolId school, string alias) => (await schools.App.InSchool(
        school, async connection =>
            await ChildRecord.Load(connection, new ReadingModel(), (await Children.ByAlias(connection, [alias]))[alias])))!;
}
