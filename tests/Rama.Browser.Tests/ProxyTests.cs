using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>The application behind nginx, over HTTPS, under a name.</summary>
public sealed class ProxyTests(ProxyTests.ProxiedServer server) : IClassFixture<ProxyTests.ProxiedServer>
{
    /// <summary>An application that is told of its proxy, and the proxy.</summary>
    public sealed class ProxiedServer : RamaServer
    {
        private Nginx? _nginx;

        public Nginx Nginx => _nginx!;

        public override async ValueTask InitializeAsync()
        {
            await base.InitializeAsync();
            _nginx = new(Address);
            await _nginx.StartAsync();
        }

        public override async ValueTask DisposeAsync()
        {
            if (_nginx is not null)
                await _nginx.DisposeAsync();
            await base.DisposeAsync();
        }

        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            base.ConfigureWebHost(builder);
            builder.UseSetting("Rama:Proxy", "127.0.0.1");
            builder.UseSetting("Rama:Hosts", Nginx.Host);
        }
    }

    [Fact]
    public async Task The_phone_page_installs_and_counts_without_a_line()
    {
        using var page = new Page(server, 390, 844, phone: true, role: null, address: server.Nginx.Address);
        page.Open("/field");
        page.Type("email", "counter@larkfold.example");
        page.Type("password", RamaApplication.Password);
        page.Click("[data-test='sign-in']");
        page.Find("[data-test='count-W4'][data-taken='true']");
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));

        Assert.True(page.Script<bool>("return isSecureContext"));
        var cookie = Assert.Single(page.Driver.Manage().Cookies.AllCookies);
        Assert.True(cookie.Secure && cookie.IsHttpOnly);
        var errors = (Dictionary<string, object>)page.Driver.ExecuteCdpCommand("Page.getInstallabilityErrors", [])!;
        Assert.Empty((IEnumerable<object>)errors["installabilityErrors"]);

        await server.Nginx.StopAsync();
        page.Open("/field");
        page.OpenInRow("W4");
        foreach (var digit in "150")
            page.Click($"[data-test='digit-{digit}']");
        page.Click("[data-test='tree-done']");
        page.Until("one waiting", () => page.Find("[data-test='sync']").GetAttribute("data-waiting") == "1");
        await server.Nginx.StartAsync();
        page.Click("[data-test='sync']");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-waiting") == "0");
        using var client = server.ClientOf();
        Assert.Contains((await client.PlantingAsync("W4"))["count"]!["trees"]!.AsArray(), t =>
            (double?)t!["floralBuds"] == 150
        );
    }

    /// <summary>
    /// Each piece of long work of one person waits for those before. That the third still has two ahead means what the
    /// second told came through while the first was under way; held back, it would have come with the end of it.
    /// </summary>
    [Fact]
    public async Task Steps_of_long_work_come_as_they_are_told()
    {
        using var client = server.Nginx.ClientWith(server.CookieOf(Role.Manager));
        var planting = await client.PlantingAsync("H4");
        async Task<(HttpResponseMessage Answer, JsonNode Step)> FirstStep()
        {
            var cancel = TestContext.Current.CancellationToken;
            using HttpRequestMessage ask = new(HttpMethod.Post, $"/api/v1/plantings/{planting["id"]}/simulation")
            {
                Content = new StringContent("""{"trees": 20000}""", System.Text.Encoding.UTF8, "application/json"),
            };
            var answer = await client.SendAsync(ask, HttpCompletionOption.ResponseHeadersRead, cancel);
            using StreamReader reader = new(await answer.Content.ReadAsStreamAsync(cancel), leaveOpen: true);
            return (answer, JsonNode.Parse((await reader.ReadLineAsync(cancel))!["data: ".Length..])!);
        }
        List<HttpResponseMessage> begun = [];
        List<int?> ahead = [];
        for (var i = 0; i < 3; i++)
        {
            var (answer, step) = await FirstStep();
            begun.Add(answer);
            ahead.Add((int?)step["ahead"]);
        }
        begun.ForEach(b => b.Dispose());
        Assert.Equal([null, 1, 2], ahead);
    }
}
