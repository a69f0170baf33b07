using System.Text.Json;
using Umbick.Core.Grouping;
using Umbick.Planner;

// A problem and a plan to begin with come in, a better plan goes out. It knows numbers only: whose they are stays with the site.
var asked = await JsonSerializer.DeserializeAsync<PlanAsked>(Console.OpenStandardInput())
    ?? throw new InvalidDataException("There is no problem.");
await JsonSerializer.SerializeAsync(Console.OpenStandardOutput(), new PlanModel(asked.Problem, asked.Start).Solve(asked.Start));
