using System.Diagnostics;

namespace Rama.Mutations;

/// <summary>The tests of the core, run on whatever core lies beside them.</summary>
/// <param name="folder">A copy of the built tests.</param>
internal sealed class CoreTests(string folder)
{
    // A fault may make a loop endless.
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(4);

    /// <summary>The core the tests run on.</summary>
    public string Core => Path.Combine(folder, "Rama.Core.dll");

    /// <summary>Whether all of them pass.</summary>
    /// <param name="filter">Which of them, as options of the runner.</param>
    public bool Pass(params string[] filter)
    {
        string[] arguments = [Path.Combine(folder, "Rama.Core.Tests.dll"), "-stopOnFail", "-noColor", .. filter];
        using var run = Process.Start(
            new ProcessStartInfo("dotnet", arguments) { RedirectStandardOutput = true, RedirectStandardError = true }
        )!;
        run.OutputDataReceived += (_, _) => { };
        run.ErrorDataReceived += (_, _) => { };
        run.BeginOutputReadLine();
        run.BeginErrorReadLine();
        if (run.WaitForExit(Longest))
            return run.ExitCode == 0;
        run.Kill(entireProcessTree: true);
        run.WaitForExit();
        return false;
    }
}
