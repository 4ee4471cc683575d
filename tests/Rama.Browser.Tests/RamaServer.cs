using System.Runtime.CompilerServices;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>The real application on a port of its own, with the built front end and the demo estate.</summary>
public class RamaServer : RamaApplication
{
    public Uri Address => ClientOptions.BaseAddress;

    public override async ValueTask InitializeAsync()
    {
        UseKestrel(0);
        StartServer();
        await base.InitializeAsync();
    }

    /// <summary>A file of the repository.</summary>
    public static string RepositoryFile(string path, [CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "../..", path));
}
