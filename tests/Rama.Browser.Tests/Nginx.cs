using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>
/// Nginx with a certificate of its own making, set up as <c>deploy/nginx.conf</c> says; it can be stopped and started.
/// </summary>
public sealed class Nginx : IAsyncDisposable
{
    /// <summary>The name people reach Rama under.</summary>
    public const string Host = "rama.larkfold.example";

    // One for all of a run, so that a browser can be told of it before there is a certificate.
    private static readonly ECDsa Key = ECDsa.Create(ECCurve.NamedCurves.nistP256);

    private readonly string _folder = Directory.CreateTempSubdirectory("rama-nginx").FullName;
    private readonly int _port = FreePort();
    private Process? _process;

    /// <param name="server">The application behind it.</param>
    public Nginx(Uri server)
    {
        WriteCertificate();
        string[] temporary = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"];
        File.WriteAllText(
            Path.Combine(_folder, "nginx.conf"),
            $$"""
            daemon off;
            pid {{_folder}}/pid;
            {{(Environment.UserName == "root" ? "user root;" : "")}}
            events { }
            http {
              access_log off;
              {{string.Join('\n', temporary.Select(t => $"{t}_temp_path {_folder}/{t};"))}}
              server {
                listen 127.0.0.1:{{_port}} ssl;
                server_name {{Host}};
                ssl_certificate {{_folder}}/certificate.pem;
                ssl_certificate_key {{_folder}}/key.pem;
                {{Documented().Replace("http://rama", server.GetLeftPart(UriPartial.Authority))}}
              }
            }
            """
        );
    }

    /// <summary>What a browser takes its certificate by.</summary>
    public static string KeyHash { get; } = Convert.ToBase64String(SHA256.HashData(Key.ExportSubjectPublicKeyInfo()));

    /// <summary>Where it answers.</summary>
    public Uri Address => new($"https://{Host}:{_port}/");

    /// <summary>Starts it and waits until it listens.</summary>
    public async Task StartAsync()
    {
        _process = Process.Start(
            new ProcessStartInfo(
                File.Exists("/usr/sbin/nginx") ? "/usr/sbin/nginx" : "nginx",
                ["-p", _folder, "-c", $"{_folder}/nginx.conf", "-e", "stderr"]
            )
            {
                RedirectStandardError = true,
            }
        )!;
        while (true)
        {
            if (_process.HasExited)
                Assert.Fail("nginx ended: " + await _process.StandardError.ReadToEndAsync());
            using TcpClient client = new();
            try
            {
                await client.ConnectAsync(IPAddress.Loopback, _port);
                return;
            }
            catch (SocketException)
            {
                await Task.Delay(20);
            }
        }
    }

    /// <summary>Stops it, as a line that is gone.</summary>
    public async Task StopAsync()
    {
        if (_process is null)
            return;
        _process.Kill(entireProcessTree: true);
        await _process.WaitForExitAsync();
        _process.Dispose();
        _process = null;
    }

    /// <summary>A client that takes the certificate and knows where the name leads.</summary>
    /// <param name="cookie">Who is signed in.</param>
    public HttpClient ClientWith(string cookie)
    {
        var client = new HttpClient(
            new SocketsHttpHandler
            {
                UseCookies = false,
                SslOptions = { RemoteCertificateValidationCallback = (_, _, _, _) => true },
                ConnectCallback = async (_, cancel) =>
                {
                    TcpClient line = new();
                    await line.ConnectAsync(IPAddress.Loopback, _port, cancel);
                    return line.GetStream();
                },
            }
        )
        {
            BaseAddress = Address,
        };
        client.DefaultRequestHeaders.Add("Cookie", cookie);
        return client;
    }

    public async ValueTask DisposeAsync()
    {
        await StopAsync();
        Directory.Delete(_folder, recursive: true);
    }

    // What is tried is what operators are told.
    private static string Documented()
    {
        var text = File.ReadAllText(RamaApplication.RepositoryFile("deploy/nginx.conf"));
        var from = text.IndexOf("location / {", StringComparison.Ordinal);
        return text[from..(text.IndexOf('}', from) + 1)];
    }

    private void WriteCertificate()
    {
        CertificateRequest request = new($"CN={Host}", Key, HashAlgorithmName.SHA256);
        SubjectAlternativeNameBuilder names = new();
        names.AddDnsName(Host);
        request.CertificateExtensions.Add(names.Build());
        using var made = request.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(2));
        File.WriteAllText(Path.Combine(_folder, "certificate.pem"), made.ExportCertificatePem());
        File.WriteAllText(Path.Combine(_folder, "key.pem"), Key.ExportPkcs8PrivateKeyPem());
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
