using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Rama.Web.Tests.Faults;

/// <summary>The application as a process of its own, always at the same port, which can be killed.</summary>
/// <param name="connection">Its connection to the database.</param>
internal sealed class RamaProcess(string connection) : IAsyncDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(90);

    private readonly ConcurrentQueue<string> _said = [];
    private Process? _process;

    /// <summary>Where it answers.</summary>
    public Uri Address { get; } = new($"http://127.0.0.1:{FreePort()}");

    /// <summary>Starts it and waits until it and its database answer.</summary>
    public async Task StartAsync()
    {
        Start();
        using var client = new HttpClient { BaseAddress = Address, Timeout = TimeSpan.FromSeconds(5) };
        for (var waited = Stopwatch.StartNew(); ; await Task.Delay(50))
        {
            Assert.False(_process!.HasExited, string.Join('\n', _said));
            Assert.True(waited.Elapsed < Patience, "It does not answer:\n" + string.Join('\n', _said));
            try
            {
                using var answer = await client.GetAsync(new Uri("/health/ready", UriKind.Relative));
                if (answer.IsSuccessStatusCode)
                    return;
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
            {
                // Not yet.
            }
        }
    }

    /// <summary>Ends it without a word.</summary>
    public async Task KillAsync()
    {
        _process!.Kill();
        await _process.WaitForExitAsync();
        _process.Dispose();
        _process = null;
    }

    /// <summary>Starts it without waiting.</summary>
    public void Start()
    {
        if (_process is not null)
            return;
        _said.Clear();
        _process = new()
        {
            StartInfo = new("dotnet", [Path.Combine(AppContext.BaseDirectory, "Rama.Web.dll"), "--urls", $"{Address}"])
            {
                WorkingDirectory = AppContext.BaseDirectory,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                Environment =
                {
                    ["ConnectionStrings__Rama"] = connection,
                    ["Logging__LogLevel__Default"] = "Error",
                    ["ASPNETCORE_ENVIRONMENT"] = "Production",
                },
            },
        };
        _process.OutputDataReceived += Keep;
        _process.ErrorDataReceived += Keep;
        _process.Start();
        _process.BeginOutputReadLine();
        _process.BeginErrorReadLine();
    }

    public async ValueTask DisposeAsync()
    {
        if (_process is not null)
            await KillAsync();
    }

    private void Keep(object sender, DataReceivedEventArgs line)
    {
        _said.Enqueue(line.Data ?? "");
        while (_said.Count > 40)
            _said.TryDequeue(out _);
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
