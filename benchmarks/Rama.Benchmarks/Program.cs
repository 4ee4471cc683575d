using BenchmarkDotNet.Running;
using Rama.Benchmarks;

if (args is ["replan", .. var file])
    Replan.Run(file.FirstOrDefault());
else
    BenchmarkSwitcher.FromAssembly(typeof(Program).Assembly).Run(args.Length > 0 ? args : ["--filter", "*"]);
