using BenchmarkDotNet.Running;
using MudPie.Bench;

// ./mudpie bench            all of it, by stopwatch, in about two minutes: medians of many rounds
// ./mudpie bench --minute   the same, with the sixteen clients for a whole minute
// ./mudpie bench --phones   a hundred phones at one holding for a minute, then a box of a thousand holdings with a hundred open
// ./mudpie bench --full     the kernels by BenchmarkDotNet
if (args.Contains("--full"))
{
    BenchmarkSwitcher.FromTypes([typeof(Kernels)]).Run(["--filter", "*", .. args.Where(a => a != "--full")]);
    return;
}

if (args.Contains("--phones"))
{
    await Boxes.One();
    await Boxes.Many();
    return;
}

Quick.Kernels();
Quick.Learning();
await Quick.Http();
Quick.Script();
