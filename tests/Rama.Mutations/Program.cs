using Rama.Mutations;

// Plants small faults in the core, one at a time, and tells which of them its own tests do not notice:
//   dotnet run -c Release --project tests/Rama.Mutations -- [ROOM...] [--most N] [--seed N] [--slow]
// A room is a folder of the core. --most takes so many faults a room by lot; --slow runs the slow tests as well.

// Tests of more than a second.
string[] slow =
[
    "Count.Estimate.PlantingMeanTests",
    "Count.Sample.StopRuleTests",
    "Plan.ConsistencyTests",
    "Plan.DrawnConsistencyTests",
    "Prescribe.SenseTests",
    "Target.Insurance.BudFactorTests",
    "Trees.TreeGeneratorTests",
];

List<string> rooms = [];
var (most, seed, all) = (int.MaxValue, 1, false);
for (var i = 0; i < args.Length; i++)
    switch (args[i])
    {
        case "--most":
            most = int.Parse(args[++i], null);
            break;
        case "--seed":
            seed = int.Parse(args[++i], null);
            break;
        case "--slow":
            all = true;
            break;
        default:
            rooms.Add(args[i]);
            break;
    }

var root = AppContext.BaseDirectory;
while (!File.Exists(Path.Combine(root, "Rama.slnx")))
    root = Path.GetDirectoryName(root) ?? throw new InvalidOperationException("Run this within the project.");
var core = Path.Combine(root, "src/Rama.Core");
var work = Path.Combine(root, "artifacts/mutations");
if (Directory.Exists(work))
    Directory.Delete(work, recursive: true);
var built = Path.Combine(root, "tests/Rama.Core.Tests/bin/Release/net10.0");
var copy = Path.Combine(work, "tests");
Directory.CreateDirectory(copy);
foreach (var file in Directory.EnumerateFiles(built))
    File.Copy(file, Path.Combine(copy, Path.GetFileName(file)));

CoreCompiler compiler = new(core, built, work);
CoreTests tests = new(copy);
string[] quick = [.. slow.SelectMany(s => new[] { "-class-", $"Rama.Core.Tests.{s}" })];
string[] rest = [.. slow.SelectMany(s => new[] { "-class", $"Rama.Core.Tests.{s}" })];

compiler.Write(null, tests.Core);
if (!tests.Pass())
    throw new InvalidOperationException("The tests do not pass on the core as it is.");

foreach (
    var room in compiler
        .Sources.GroupBy(s => Path.GetRelativePath(core, s.FilePath).Split('/')[0])
        .Where(g => rooms.Count == 0 || rooms.Contains(g.Key))
)
{
    // Its own tests first: they notice most.
    string[] own = ["-namespace", $"Rama.Core.Tests.{room.Key}*"];
    bool Missed() => tests.Pass(own) && tests.Pass(quick) && (!all || tests.Pass(rest));

    Random lot = new(seed);
    var (planted, noticed) = (0, 0);
    foreach (var fault in room.SelectMany(Faults.In).OrderBy(_ => lot.Next()))
    {
        if (planted == most)
            break;
        if (!compiler.Write(fault, tests.Core))
            continue;
        planted++;
        // So that one who waits sees how far it is, and a file of the survivors holds nothing else.
        Console.Error.Write($"\r{room.Key}: {noticed} of {planted - 1} ");
        if (Missed())
            Console.WriteLine(fault.Tell(core));
        else
            noticed++;
    }
    Console.WriteLine($"{room.Key}: {noticed} of {planted} faults noticed");
}
