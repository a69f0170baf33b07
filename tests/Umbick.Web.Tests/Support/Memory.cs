using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Web.Tests;

/// <summary>How much memory the site holds after every page at every stage: <c>./umbick bench web</c> runs it; the tests do not.</summary>
public sealed class Memory(Site site) : IClassFixture<Site>
{
    private const int Rounds = 3;

    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task After_every_page_at_every_stage()
    {
        using var process = await Site.Another();
        Console.WriteLine($"memory: {process.Megabytes} MB as it starts");
        using var teacher = await Visitor.TeacherOf(process.Address, site.TeacherOfA);
        for (var round = 1; round <= Rounds; round++)
        {
            foreach (var stage in Enum.GetValues<Stage>())
            {
                var child = await site.Child(site.A, stage);
                await Ask(teacher, child.Id);
                var (set, practice) = await site.Set(site.A, child.Id, "next-hour");
                var ids = new Dictionary<string, Guid>
                {
                    ["children"] = child.Id.Value,
                    ["practise"] = set.Value,
                    ["sheets"] = practice.Value
                };
                foreach (var door in Door.All.Where(door => door.Policy is Who.Records or Who.Sittings))
                    await teacher.Get(door.Filled(ids));
                foreach (var pattern in Catalogue.All)
                {
                    await teacher.Get($"/practise/new/{child.Id}?pattern={pattern.Id}");
                    await teacher.Get($"/patterns/{pattern.Id}");
                }
                await EveryTask(process.Address, child.Id);
            }
            Console.WriteLine($"memory: {process.Megabytes} MB after round {round}");
        }
    }

    /// <summary>A sitting to its end, half of it right.</summary>
    private async Task Ask(Visitor teacher, ChildId child)
    {
        var sitting = await site.Sitting(site.A, child);
        for (var answered = 0; (await site.Now(site.A, sitting)).EndedAt is null && answered < 20; answered++)
            await teacher.Send($"/ask/{sitting}", "Next", new() { ["raw"] = answered % 2 == 0 ? "." : "8:05" });
    }

    /// <summary>Each task on the child's own screen.</summary>
    private async Task EveryTask(Uri address, ChildId child)
    {
        using var tablet = new Visitor(address);
        await tablet.Send("/go", "Begin",
            new() { ["code"] = await site.Code(site.A, await site.OnScreen(site.A, child, [.. ClockTasks.All.Select(task => task.Id)])) });
        await tablet.Get("/turn");
        await tablet.Get("/turn?handler=ahead");
    }
}
