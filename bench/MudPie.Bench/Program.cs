using BenchmarkDotNet.Running;
using MudPie.Bench;

// ./mudpie bench            all of it, by stopwatch, in under a minute: medians of many rounds
// ./mudpie bench --full     the kernels by BenchmarkDotNet
if (args.Contains("--full"))
{
    BenchmarkSwitcher.FromTypes([typeof(Kernels)]).Run(args.Where(a => a != "--full").ToArray());
    return;
}

Quick.Kernels();
Quick.Learning();
await Quick.Http();
Quick.Script();
