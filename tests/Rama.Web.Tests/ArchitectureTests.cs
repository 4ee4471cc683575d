using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Rama.Core.Plan;
using Rama.Data;

namespace Rama.Web.Tests;

/// <summary>Holds the layout of docs/architecture.md: what may depend on what, and one word for one stage everywhere.</summary>
public sealed class ArchitectureTests
{
    private static readonly Assembly Core = typeof(PruningPlan).Assembly;
    private static readonly Assembly Data = typeof(RamaContext).Assembly;
    private static readonly Assembly Web = typeof(Program).Assembly;

    private static readonly string Root = RamaApplication.RepositoryFile("");

    private static IEnumerable<string> References(Assembly assembly) =>
        assembly.GetReferencedAssemblies().Select(a => a.Name!);

    private static IEnumerable<string> Folders(string path) =>
        Directory
            .GetDirectories(Path.Combine(Root, path))
            .Select(d => Path.GetFileName(d))
            .Where(d => d is not ("bin" or "obj" or "wwwroot"));

    [Fact]
    public void The_core_knows_no_database_web_or_files()
    {
        Assert.All(References(Core), name => Assert.Matches("^(System|MathNet\\.Numerics|NodaTime|netstandard)", name));
        Assert.DoesNotContain(References(Core), name =>
            Regex.IsMatch(name, @"^System\.(Net|Data)|System\.IO\.(FileSystem|Pipes)|System\.Diagnostics\.Process")
        );
    }

    [Fact]
    public void Dependencies_point_one_way()
    {
        Assert.DoesNotContain(References(Core), name => name.StartsWith("Rama.", StringComparison.Ordinal));
        Assert.Equal(["Rama.Core"], References(Data).Where(n => n.StartsWith("Rama.", StringComparison.Ordinal)));
        // The stores of accounts and keys are tables; nothing else of the web reaches the database layer.
        Assert.Equal(
            [
                "Microsoft.AspNetCore.DataProtection.EntityFrameworkCore",
                "Microsoft.AspNetCore.Identity.EntityFrameworkCore",
            ],
            References(Data).Where(name => name.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal)).Order()
        );
        Assert.Equal(
            ["Rama.Core", "Rama.Data"],
            References(Web).Where(n => n.StartsWith("Rama.", StringComparison.Ordinal)).Order()
        );
    }

    [Fact]
    public void A_stage_has_the_same_name_in_core_web_and_front_end()
    {
        string[] stages =
        [
            "Estate",
            "Target",
            "Count",
            "Decide",
            "Trees",
            "Systems",
            "Prescribe",
            "Crew",
            "Check",
            "Result",
            "Training",
            "Season",
        ];
        string[] shared = ["Quantities", "Explain", "Statistics"];
        Assert.All(Folders("src/Rama.Core"), folder => Assert.Contains(folder, stages.Concat(shared)));
        Assert.All(Folders("src/Rama.Web").Except(["Accounts", "Exchange", "Hosting", "Properties"]), folder =>
            Assert.Contains(folder, stages)
        );
        Assert.All(Folders("web/src/stages").Except(["people"]), folder =>
            Assert.Contains(folder, stages.Select(s => s.ToLowerInvariant()))
        );
        // Every stage that can be reached over the web is a stage of the core.
        Assert.All(Folders("src/Rama.Web").Intersect(stages), folder =>
            Assert.Contains(folder, Folders("src/Rama.Core"))
        );
    }

    [Fact]
    public void A_type_lives_in_the_folder_its_namespace_names() =>
        Assert.All(
            Directory
                .GetFiles(Path.Combine(Root, "src"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !Regex.IsMatch(f, @"/(bin|obj|Migrations)/") && Path.GetFileName(f) != "Program.cs"),
            file =>
            {
                var space = Regex
                    .Match(File.ReadAllText(file), @"^namespace ([\w.]+);", RegexOptions.Multiline)
                    .Groups[1]
                    .Value;
                Assert.Equal(
                    Path.GetRelativePath(Path.Combine(Root, "src"), Path.GetDirectoryName(file)!).Replace('/', '.'),
                    space
                );
            }
        );

    [Fact]
    public void Records_of_the_core_cannot_be_changed() =>
        Assert.All(
            Core.GetExportedTypes()
                .SelectMany(t =>
                    t.GetProperties(BindingFlags.Public | BindingFlags.Instance | BindingFlags.DeclaredOnly)
                ),
            property =>
                Assert.True(
                    property.SetMethod is not { IsPublic: true } setter
                        || setter.ReturnParameter.GetRequiredCustomModifiers().Contains(typeof(IsExternalInit)),
                    $"{property.DeclaringType}.{property.Name} can be set"
                )
        );

    [Fact]
    public void Tracked_rows_are_not_changed_behind_the_tracker() =>
        Assert.All(
            Directory
                .GetFiles(Path.Combine(Root, "src"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !Regex.IsMatch(f, @"/(bin|obj|Migrations)/")),
            file => Assert.DoesNotMatch(@"\.Execute(Update|Delete|Sql)", File.ReadAllText(file))
        );

    [Fact]
    public void The_front_end_reaches_no_other_host() =>
        Assert.All(
            Directory
                .GetFiles(Path.Combine(Root, "web/src"), "*.ts*", SearchOption.AllDirectories)
                .Where(f => !f.EndsWith(".d.ts", StringComparison.Ordinal)),
            // A device plugged into the same machine is no other host.
            file => Assert.DoesNotMatch(@"https?://(?!127\.0\.0\.1)", File.ReadAllText(file))
        );
}
