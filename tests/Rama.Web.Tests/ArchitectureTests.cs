using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using ArchUnitNET.Loader;
using Rama.Core.Plan;
using Rama.Data.Database;
using Rama.Solver;

namespace Rama.Web.Tests;

/// <summary>
/// Holds the layout of docs/architecture.md: what may depend on what, and one word for one stage everywhere.
/// </summary>
public sealed class ArchitectureTests
{
    private static readonly Assembly Core = typeof(PruningPlan).Assembly;
    private static readonly Assembly Data = typeof(RamaContext).Assembly;
    private static readonly Assembly Web = typeof(Program).Assembly;

    private static readonly string Root = RamaApplication.RepositoryFile("");

    private static IEnumerable<string> References(Assembly assembly) =>
        assembly.GetReferencedAssemblies().Select(a => a.Name!);

    private static IEnumerable<(string Name, string Text)> Sources(string path) =>
        Directory
            .GetFiles(Path.Combine(Root, path), "*.cs", SearchOption.AllDirectories)
            .Where(f => !Regex.IsMatch(f, @"/(bin|obj|Migrations)/"))
            .Select(f => (Path.GetFileName(f), File.ReadAllText(f)));

    // A folder that git left behind empty is none.
    private static IEnumerable<string> Folders(string path) =>
        Directory
            .GetDirectories(Path.Combine(Root, path))
            .Where(d => Directory.EnumerateFiles(d, "*", SearchOption.AllDirectories).Any())
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
        Assert.Equal(
            ["Rama.Core"],
            References(typeof(CrewSolver).Assembly).Where(n => n.StartsWith("Rama.", StringComparison.Ordinal))
        );
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
            ["Rama.Core", "Rama.Data", "Rama.Solver"],
            References(Web).Where(n => n.StartsWith("Rama.", StringComparison.Ordinal)).Order()
        );
    }

    /// <summary>Rooms of the core, each after those it may use: the table of docs/architecture.md.</summary>
    private static readonly List<string> Rooms =
    [
        .. Regex
            .Matches(File.ReadAllText(RamaApplication.RepositoryFile("docs/architecture.md")), @"(?m)^\| ([A-Z]\w+) \|")
            .Select(m => m.Groups[1].Value),
    ];

    [Fact]
    public void Every_room_of_the_core_is_in_the_table() =>
        Assert.Equal(Rooms.Order(), Folders("src/Rama.Core").Order());

    [Fact]
    public void A_room_uses_only_rooms_before_it()
    {
        var types = new ArchLoader().LoadAssembly(Core).Build().Types.Where(t => Room(t.FullName) >= 0).ToList();
        Assert.Equal(Rooms.Count, types.Select(t => Room(t.FullName)).Distinct().Count());
        // What is compiled, and what is written: a constant of another room leaves no trace in the program.
        var compiled =
            from type in types
            from other in type.Dependencies.Select(d => d.Target)
            where Room(other.FullName) > Room(type.FullName)
            select $"{type.FullName} uses {other.FullName}";
        var written =
            from file in Directory.GetFiles(Path.Combine(Root, "src/Rama.Core"), "*.cs", SearchOption.AllDirectories)
            from other in Regex.Matches(File.ReadAllText(file), @"\bRama\.Core\.\w+").Select(m => m.Value)
            where Room(other) > Room(Path.GetRelativePath(Path.Combine(Root, "src"), file).Replace('/', '.'))
            select $"{file} uses {other}";
        Assert.Empty(compiled.Concat(written).Distinct());
    }

    private static int Room(string name) =>
        Regex.Match(name, @"^Rama\.Core\.(\w+)") is { Success: true } m ? Rooms.IndexOf(m.Groups[1].Value) : -1;

    [Fact]
    public void A_stage_has_the_same_name_everywhere()
    {
        Assert.All(
            Folders("src/Rama.Data").Except(["Database", "Exchange", "Field", "History", "Migrations", "People"]),
            folder => Assert.Contains(folder, Rooms)
        );
        Assert.All(Folders("src/Rama.Web").Except(["Accounts", "Exchange", "Hosting", "Field"]), folder =>
            Assert.Contains(folder, Rooms)
        );
        Assert.All(Folders("web/src/stages"), folder =>
            Assert.Contains(folder, Rooms.Select(s => s.ToLowerInvariant()))
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
        // Bringing an earlier database here goes before there is anybody to track.
        Assert.All(Sources("src").Where(f => f.Name != "EarlierMigrations.cs"), file =>
            Assert.DoesNotMatch(@"\.Execute(Update|Delete|Sql)|FromSql|SqlQuery", file.Text)
        );

    // Making the login, setting the estate of a connection, copying scans, whose rows have no history, and rows of
    // removed plantings, whose history is written: no other place.
    [Fact]
    public void Sql_is_written_in_four_places() =>
        Assert.Equal(
            ["DatabaseSetup.cs", "KeptRows.cs", "ScanImporter.cs", "ScopedConnection.cs"],
            Sources("src")
                .Where(f => Regex.IsMatch(f.Text, @"CommandText|NpgsqlCommand|CreateCommand|BeginBinaryImport"))
                .Select(f => f.Name)
                .Order()
        );

    [Theory]
    [InlineData(@"UniqueViolation", "Conflicts.cs")]
    [InlineData(
        @"JsonSerializerOptions [^;{]*new[ (]|JsonSerializerDefaults|JsonSerializerOptions\.Web",
        "DataFile.cs|StoredJson.cs|StrictJson.cs"
    )]
    public void What_everybody_needs_is_said_once(string what, string where) =>
        Assert.Equal(
            where.Split('|').Order(),
            Sources("src").Where(f => Regex.IsMatch(f.Text, what)).Select(f => f.Name).Order()
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
