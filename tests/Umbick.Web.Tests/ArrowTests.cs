using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Umbick.Drawing;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Demo;
using Umbick.Simulation;
using Umbick.Store;
using Assembly = System.Reflection.Assembly;

namespace Umbick.Web.Tests;

/// <summary>
/// Who knows whom: every arrow between projects, between the folders of the core and between the pages' is named here, and there are no
/// others.
/// </summary>
public sealed class ArrowTests
{
    private static readonly Architecture All = new ArchLoader().LoadAssemblies(
        typeof(ReadingModel).Assembly, typeof(Study).Assembly, typeof(IDatabase).Assembly, typeof(Database).Assembly,
        typeof(PersonSchools).Assembly, typeof(Face).Assembly,
        typeof(Asking).Assembly, typeof(DemoSchool).Assembly, typeof(Training.Verdict).Assembly, typeof(Web.Demo).Assembly,
        Assembly.LoadFrom(Path.Combine(Site.Setting("UMBICK_ROOT"), "artifacts/bin/Umbick.Planner/release/Umbick.Planner.dll")),
        Assembly.LoadFrom(Path.Combine(Site.Setting("UMBICK_ROOT"), "artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll"))).Build();

    [Fact]
    public void Between_projects() => Assert.Equal(
        [
            "Casework -> Core", "Casework -> Rows", "Casework -> Store",
            "Cli -> Casework", "Cli -> Core", "Cli -> Demo", "Cli -> Rows", "Cli -> Simulation", "Cli -> Store", "Cli -> Training",
            "Demo -> Casework", "Demo -> Core", "Demo -> Rows", "Demo -> Simulation", "Demo -> Store",
            "Drawing -> Core",
            "Hosting -> Casework", "Hosting -> Core", "Hosting -> Rows", "Hosting -> Store",
            "Planner -> Core",
            "Rows -> Core",
            "Simulation -> Core",
            "Store -> Core", "Store -> Rows",
            "Training -> Core", "Training -> Simulation",
            "Web -> Casework", "Web -> Core", "Web -> Drawing", "Web -> Hosting", "Web -> Rows", "Web -> Training",
        ],
        Arrows("Umbick."));

    [Fact]
    public void Between_the_folders_of_the_core() => Assert.Equal(
        [
            "Diagnosis -> Clocks", "Diagnosis -> Items", "Diagnosis -> Patterns",
            "Grouping -> Clocks", "Grouping -> Diagnosis", "Grouping -> Ids", "Grouping -> Items", "Grouping -> Patterns",
            "Grouping -> Progress", "Grouping -> Teaching", "Grouping -> Timetabling",
            "Items -> Clocks",
            "Patterns -> Clocks", "Patterns -> Items",
            "Practice -> Clocks", "Practice -> Diagnosis", "Practice -> Items", "Practice -> Patterns", "Practice -> Teaching",
            "Progress -> Clocks", "Progress -> Diagnosis", "Progress -> Ids", "Progress -> Items", "Progress -> Patterns",
            "Progress -> Practice",
            "Progress -> Timetabling",
            "Reports -> Clocks", "Reports -> Diagnosis", "Reports -> Ids", "Reports -> Items", "Reports -> Patterns",
            "Reports -> Progress", "Reports -> Teaching",
            "Teaching -> Clocks", "Teaching -> Items", "Teaching -> Patterns",
            "Timetabling -> Ids",
        ],
        Arrows("Umbick.Core."));

    [Fact]
    public void Between_the_pages_none() => Assert.Equal("", string.Join("\n", Arrows("Umbick.Web.Pages.")));

    [Theory]
    [InlineData("Umbick.Core", "System")]
    [InlineData("Umbick.Rows", "System Umbick")]
    [InlineData("Umbick.Store", "System Umbick Dapper DbUp Npgsql")]
    [InlineData("Umbick.Casework", "System Umbick CsvHelper Ical")]
    [InlineData("Umbick.Drawing", "System Umbick PdfSharp QRCoder")]
    public void Beyond_its_own_a_project_knows_only_these(string project, string known)
    {
        var assembly = All.Assemblies.Select(each => each.Name).Single(name => name.Split(',')[0] == project);
        var others = Assembly.Load(assembly).GetReferencedAssemblies().Select(name => name.Name!.Split('.', '-')[0]).Distinct();
        Assert.Empty(others.Except(known.Split(' ')).Except(["dbup"]));
    }

    /// <summary>The arrows between the rooms whose names begin like this, as "from -> to".</summary>
    private static List<string> Arrows(string under) =>
        [.. All.Types
            .SelectMany(type => type.Dependencies.Select(dependency => (From: Room(type, under), To: Room(dependency.Target, under))))
            .Where(arrow => arrow is { From: not null, To: not null } && arrow.From != arrow.To)
            .Select(arrow => $"{arrow.From} -> {arrow.To}").Distinct().Order(StringComparer.Ordinal)];

    private static string? Room(IType type, string under)
    {
        // What belongs to no namespace is in no room.
        if (type.Namespace?.FullName is not { } name) return null;
        return name.StartsWith(under, StringComparison.Ordinal) ? name[under.Length..].Split('.')[0] : null;
    }
}
