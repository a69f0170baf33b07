using System.CommandLine;
using Umbick.Cli;

// A site that is told to end lets its visitors finish first.
return await Verbs.Build().Parse(args).InvokeAsync(new InvocationConfiguration { ProcessTerminationTimeout = TimeSpan.FromMinutes(1) });
