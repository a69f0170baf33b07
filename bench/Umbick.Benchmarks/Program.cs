using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;

// In the process itself: a build of its own in another folder would not find the project's settings.
var config = ManualConfig.Create(DefaultConfig.Instance)
    .WithArtifactsPath(Path.Combine(Path.GetTempPath(), "umbick-benchmarks"))
    .AddJob(Job.Default.WithToolchain(InProcessEmitToolchain.Instance).WithWarmupCount(3).WithIterationCount(8));
BenchmarkSwitcher.FromAssembly(typeof(Program).Assembly).Run(args.Length == 0 ? ["--filter", "*"] : args, config);
