using System.Diagnostics;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Rama.Mutations;

/// <summary>Compiles the core in memory, whole or with a fault in one file.</summary>
internal sealed class CoreCompiler
{
    private readonly CSharpCompilation _whole;
    private readonly ResourceDescription[] _resources;

    /// <summary>Reads the sources; what the compiler's generators add is written by a build of its own.</summary>
    /// <param name="core">Folder of the core.</param>
    /// <param name="tests">Folder of its built tests, with every library it needs.</param>
    /// <param name="work">Folder to work in.</param>
    public CoreCompiler(string core, string tests, string work)
    {
        var generated = Path.Combine(work, "generated");
        Build(core, generated, Path.Combine(work, "obj") + "/");
        CSharpParseOptions options = new(LanguageVersion.Latest, DocumentationMode.None);
        Sources = [.. Files(core, "*.cs").Select(f => Parse(f, options))];
        string[] added =
        [
            .. Directory.EnumerateFiles(generated, "*.cs", SearchOption.AllDirectories),
            .. Directory.EnumerateFiles(Path.Combine(core, "obj/Release/net10.0"), "*.cs"),
        ];
        var platform = ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
            .Split(Path.PathSeparator)
            .Where(f => !Path.GetFileName(f).StartsWith("Microsoft.CodeAnalysis", StringComparison.Ordinal));
        _whole = CSharpCompilation.Create(
            "Rama.Core",
            [.. Sources, .. added.Select(f => Parse(f, options))],
            [
                .. platform
                    .Append(Path.Combine(tests, "MathNet.Numerics.dll"))
                    .Select(f => MetadataReference.CreateFromFile(f)),
            ],
            new(
                OutputKind.DynamicallyLinkedLibrary,
                optimizationLevel: OptimizationLevel.Release,
                nullableContextOptions: NullableContextOptions.Enable
            )
        );
        _resources =
        [
            .. Files(core, "*.json")
                .Select(f => new ResourceDescription(
                    Path.GetRelativePath(core, f),
                    () => File.OpenRead(f),
                    isPublic: true
                )),
        ];
    }

    /// <summary>The files of the core.</summary>
    public IReadOnlyList<SyntaxTree> Sources { get; }

    /// <summary>Writes the core with a fault in it. False when it does not compile.</summary>
    /// <param name="fault">The fault; null for the core as it is.</param>
    /// <param name="to">File to write.</param>
    public bool Write(Fault? fault, string to)
    {
        var compilation = fault is null ? _whole : _whole.ReplaceSyntaxTree(fault.Place.SyntaxTree, fault.Plant());
        using MemoryStream bytes = new();
        var result = compilation.Emit(bytes, manifestResources: _resources);
        if (!result.Success)
            return fault is not null
                ? false
                : throw new InvalidOperationException($"The core does not compile: {result.Diagnostics[0]}");
        File.WriteAllBytes(to, bytes.ToArray());
        return true;
    }

    private static SyntaxTree Parse(string file, CSharpParseOptions options) =>
        CSharpSyntaxTree.ParseText(File.ReadAllText(file), options, file);

    private static IEnumerable<string> Files(string core, string pattern) =>
        Directory
            .EnumerateFiles(core, pattern, SearchOption.AllDirectories)
            .Where(f => Path.GetRelativePath(core, f).Split('/')[0] is not ("bin" or "obj"))
            .Order(StringComparer.Ordinal);

    private static void Build(string core, string generated, string output)
    {
        string[] arguments =
        [
            "build",
            core,
            "--configuration=Release",
            "--no-incremental",
            "-p:EmitCompilerGeneratedFiles=true",
            $"-p:CompilerGeneratedFilesOutputPath={generated}",
            $"-p:OutputPath={output}",
        ];
        using var build = Process.Start(new ProcessStartInfo("dotnet", arguments) { RedirectStandardOutput = true })!;
        var told = build.StandardOutput.ReadToEnd();
        build.WaitForExit();
        if (build.ExitCode != 0)
            throw new InvalidOperationException(told);
    }
}
