using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    // What the migrations before the first release came to; EarlierMigrations brings a database that has them here. The
    // model as it then stood is left out: only going back would need it.
    [DbContext(typeof(RamaContext))]
    [Migration(Id)]
    internal sealed class Schema : Migration
    {
        internal const string Id = "20261129005533_Schema";

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "data_protection_keys",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    friendly_name = table.Column<string>(type: "text", nullable: true),
                    xml = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_data_protection_keys", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "estates",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    crew_hours_per_week = table.Column<double>(type: "double precision", nullable: true),
                    body_marks = table.Column<string>(type: "json", nullable: true),
                    today = table.Column<DateOnly>(type: "date", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_estates", x => x.id);
                    table.CheckConstraint("ck_estates_crew_hours", "crew_hours_per_week > 0");
                    table.CheckConstraint("ck_estates_season", "season between 1900 and 2200");
                });

            migrationBuilder.CreateTable(
                name: "people",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: false),
                    units = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    language = table.Column<string>(type: "character varying(5)", maxLength: 5, nullable: false),
                    user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    password_hash = table.Column<string>(type: "text", nullable: true),
                    security_stamp = table.Column<string>(type: "text", nullable: true),
                    concurrency_stamp = table.Column<string>(type: "text", nullable: true),
                    phone_number = table.Column<string>(type: "text", nullable: true),
                    phone_number_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    two_factor_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    lockout_end = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    lockout_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    access_failed_count = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_people", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "batches",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    table = table.Column<string>(type: "character varying(30)", maxLength: 30, nullable: false),
                    file = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    added = table.Column<int>(type: "integer", nullable: false),
                    changed = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_batches", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_batches_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "changes",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    batch_id = table.Column<Guid>(type: "uuid", nullable: true),
                    subject = table.Column<string>(type: "character varying(30)", maxLength: 30, nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: true),
                    season = table.Column<int>(type: "integer", nullable: true),
                    detail = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    field = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    old = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: true),
                    @new = table.Column<string>(name: "new", type: "character varying(2000)", maxLength: 2000, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_changes", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_changes_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "own_price_lists",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_price_lists", x => new { x.estate_id, x.name });
                    table.ForeignKey(
                        name: "fk_own_price_lists_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "own_rootstocks",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_rootstocks", x => new { x.estate_id, x.name });
                    table.ForeignKey(
                        name: "fk_own_rootstocks_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "own_systems",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_systems", x => new { x.estate_id, x.name });
                    table.ForeignKey(
                        name: "fk_own_systems_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "own_varieties",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_varieties", x => new { x.estate_id, x.name });
                    table.ForeignKey(
                        name: "fk_own_varieties_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sites",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sites", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_sites_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "workers",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    language = table.Column<string>(type: "character varying(5)", maxLength: 5, nullable: false),
                    has_left = table.Column<bool>(type: "boolean", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    name_key = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: true, computedColumnSql: "lower(name)", stored: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_workers", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_workers_language", "language in ('en', 'es')");
                    table.ForeignKey(
                        name: "fk_workers_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "memberships",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    role = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_memberships", x => new { x.estate_id, x.person_id });
                    table.CheckConstraint("ck_memberships_role", "role in ('Reader', 'Counter', 'CrewLead', 'Manager')");
                    table.ForeignKey(
                        name: "fk_memberships_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_memberships_users_person_id",
                        column: x => x.person_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_claims",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    claim_type = table.Column<string>(type: "text", nullable: true),
                    claim_value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_claims", x => x.id);
                    table.ForeignKey(
                        name: "fk_person_claims_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_logins",
                columns: table => new
                {
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    provider_key = table.Column<string>(type: "text", nullable: false),
                    provider_display_name = table.Column<string>(type: "text", nullable: true),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_logins", x => new { x.login_provider, x.provider_key });
                    table.ForeignKey(
                        name: "fk_person_logins_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_tokens",
                columns: table => new
                {
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_tokens", x => new { x.user_id, x.login_provider, x.name });
                    table.ForeignKey(
                        name: "fk_person_tokens_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "blocks",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    site_id = table.Column<Guid>(type: "uuid", nullable: false),
                    code = table.Column<string>(type: "character varying(12)", maxLength: 12, nullable: false),
                    outline = table.Column<string>(type: "jsonb", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_blocks", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_blocks_sites_estate_id_site_id",
                        columns: x => new { x.estate_id, x.site_id },
                        principalTable: "sites",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "weather_days",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    site_id = table.Column<Guid>(type: "uuid", nullable: false),
                    date = table.Column<DateOnly>(type: "date", nullable: false),
                    min_c = table.Column<double>(type: "double precision", nullable: false),
                    max_c = table.Column<double>(type: "double precision", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_weather_days", x => new { x.estate_id, x.site_id, x.date });
                    table.CheckConstraint("ck_weather_days_range", "min_c between -60 and max_c and max_c <= 60");
                    table.ForeignKey(
                        name: "fk_weather_days_sites_estate_id_site_id",
                        columns: x => new { x.estate_id, x.site_id },
                        principalTable: "sites",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "plantings",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    block_id = table.Column<Guid>(type: "uuid", nullable: false),
                    code = table.Column<string>(type: "character varying(12)", maxLength: 12, nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    variety = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    rootstock = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    system = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    year_planted = table.Column<int>(type: "integer", nullable: false),
                    fruit_sample = table.Column<string>(type: "json", nullable: true),
                    changed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    area_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    area_value = table.Column<double>(type: "double precision", nullable: true),
                    missing_share_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    missing_share_value = table.Column<double>(type: "double precision", nullable: true),
                    pollinizer_share_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    pollinizer_share_value = table.Column<double>(type: "double precision", nullable: true),
                    row_spacing_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    row_spacing_value = table.Column<double>(type: "double precision", nullable: true),
                    tree_spacing_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    tree_spacing_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_plantings", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_plantings_shares", "coalesce(missing_share_value, 0) >= 0 and coalesce(pollinizer_share_value, 0) >= 0");
                    table.CheckConstraint("ck_plantings_spacing", "row_spacing_value > 0 and tree_spacing_value > 0 and area_value > 0");
                    table.CheckConstraint("ck_plantings_year_planted", "year_planted between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_plantings_blocks_estate_id_block_id",
                        columns: x => new { x.estate_id, x.block_id },
                        principalTable: "blocks",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_plantings_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "row_lines",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    block_id = table.Column<Guid>(type: "uuid", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    coordinates = table.Column<double[]>(type: "double precision[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_row_lines", x => new { x.estate_id, x.block_id, x.row });
                    table.CheckConstraint("ck_row_lines_row", "\"row\" between 1 and 9999");
                    table.ForeignKey(
                        name: "fk_row_lines_blocks_estate_id_block_id",
                        columns: x => new { x.estate_id, x.block_id },
                        principalTable: "blocks",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "field_entries",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    device = table.Column<Guid>(type: "uuid", nullable: false),
                    sequence = table.Column<long>(type: "bigint", nullable: false),
                    kind = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    tree = table.Column<int>(type: "integer", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    received_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    supersedes = table.Column<Guid>(type: "uuid", nullable: true),
                    state = table.Column<string>(type: "character varying(12)", maxLength: 12, nullable: false),
                    data = table.Column<string>(type: "json", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_field_entries", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_field_entries_place", "\"row\" between 1 and 9999 and coalesce(tree, 1) between 1 and 9999");
                    table.ForeignKey(
                        name: "fk_field_entries_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "issued_prescriptions",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    number = table.Column<int>(type: "integer", nullable: false),
                    content = table.Column<string>(type: "json", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_issued_prescriptions", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_issued_prescriptions_number", "number >= 1");
                    table.ForeignKey(
                        name: "fk_issued_prescriptions_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "photos",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: true),
                    tree = table.Column<int>(type: "integer", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    picture = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_photos", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_photos_size", "octet_length(picture) <= 900000");
                    table.ForeignKey(
                        name: "fk_photos_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "planting_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    first_tree = table.Column<int>(type: "integer", nullable: false),
                    trees = table.Column<int>(type: "integer", nullable: false),
                    missing = table.Column<int[]>(type: "integer[]", nullable: false),
                    replants = table.Column<int[]>(type: "integer[]", nullable: false),
                    pollinizers = table.Column<int[]>(type: "integer[]", nullable: false),
                    to_grub = table.Column<int[]>(type: "integer[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_planting_rows", x => new { x.estate_id, x.planting_id, x.row, x.first_tree });
                    table.CheckConstraint("ck_planting_rows_row", "\"row\" between 1 and 9999 and first_tree between 1 and 9999 and trees between 1 and 5000");
                    table.ForeignKey(
                        name: "fk_planting_rows_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "practice_runs",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    worker_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    tree = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    score = table.Column<int>(type: "integer", nullable: false),
                    buds_left = table.Column<int>(type: "integer", nullable: false),
                    target = table.Column<double>(type: "double precision", nullable: false),
                    minutes = table.Column<double>(type: "double precision", nullable: false),
                    remarks = table.Column<string>(type: "text", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_practice_runs", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_practice_runs_score", "score between 0 and 100");
                    table.ForeignKey(
                        name: "fk_practice_runs_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_practice_runs_workers_estate_id_worker_id",
                        columns: x => new { x.estate_id, x.worker_id },
                        principalTable: "workers",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "scan_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    first_tree = table.Column<int>(type: "integer", nullable: false),
                    trunks_mm = table.Column<float[]>(type: "real[]", nullable: false),
                    limbs = table.Column<float[]>(type: "real[]", nullable: false),
                    buds = table.Column<float[]>(type: "real[]", nullable: false),
                    leaders = table.Column<int>(type: "integer", nullable: false),
                    leader_buds = table.Column<float[]>(type: "real[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_scan_rows", x => new { x.estate_id, x.planting_id, x.season, x.row });
                    table.CheckConstraint("ck_scan_rows_row", "\"row\" between 1 and 9999 and season between 1900 and 2200 and leaders between 0 and 12");
                    table.ForeignKey(
                        name: "fk_scan_rows_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "season_plans",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    bud_factor = table.Column<double>(type: "double precision", nullable: true),
                    limbs_per_tree = table.Column<double>(type: "double precision", nullable: true),
                    held_decision = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: true),
                    held_reason = table.Column<string>(type: "character varying(300)", maxLength: 300, nullable: true),
                    cutting_details = table.Column<string>(type: "json", nullable: true),
                    target_details = table.Column<string>(type: "json", nullable: true),
                    count_details = table.Column<string>(type: "json", nullable: true),
                    measured = table.Column<string>(type: "text", nullable: true),
                    changed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    bin_mass_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    bin_mass_value = table.Column<double>(type: "double precision", nullable: true),
                    box_mass_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    box_mass_value = table.Column<double>(type: "double precision", nullable: true),
                    bushel_mass_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    bushel_mass_value = table.Column<double>(type: "double precision", nullable: true),
                    cap_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    cap_value = table.Column<double>(type: "double precision", nullable: true),
                    floral_share_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    floral_share_value = table.Column<double>(type: "double precision", nullable: true),
                    fruit_size_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    fruit_size_value = table.Column<double>(type: "double precision", nullable: true),
                    pack_out_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    pack_out_value = table.Column<double>(type: "double precision", nullable: true),
                    tolerance_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    tolerance_value = table.Column<double>(type: "double precision", nullable: true),
                    yield_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    yield_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_season_plans", x => new { x.estate_id, x.planting_id, x.season });
                    table.CheckConstraint("ck_season_plans_bud_factor", "bud_factor between 0.1 and 6");
                    table.CheckConstraint("ck_season_plans_season", "season between 1900 and 2200");
                    table.CheckConstraint("ck_season_plans_target", "yield_value > 0 and fruit_size_value > 0 and pack_out_value > 0");
                    table.ForeignKey(
                        name: "fk_season_plans_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "season_results",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    green_tip = table.Column<DateOnly>(type: "date", nullable: true),
                    buds_left = table.Column<double>(type: "double precision", nullable: true),
                    clusters_thinned = table.Column<double>(type: "double precision", nullable: true),
                    fruit_size_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    fruit_size_value = table.Column<double>(type: "double precision", nullable: true),
                    pack_out_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    pack_out_value = table.Column<double>(type: "double precision", nullable: true),
                    yield_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    yield_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_season_results", x => new { x.estate_id, x.planting_id, x.season });
                    table.CheckConstraint("ck_season_results_amounts", "coalesce(yield_value, 0) >= 0 and coalesce(fruit_size_value, 0) >= 0 and coalesce(pack_out_value, 0) >= 0");
                    table.CheckConstraint("ck_season_results_buds", "coalesce(buds_left, 1) > 0 and coalesce(clusters_thinned, 0) >= 0");
                    table.CheckConstraint("ck_season_results_season", "season between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_season_results_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "target_versions",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    act = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    entry = table.Column<string>(type: "json", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_target_versions", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_target_versions_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "trunk_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    girths_cm = table.Column<float[]>(type: "real[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_trunk_rows", x => new { x.estate_id, x.planting_id, x.season, x.row });
                    table.CheckConstraint("ck_trunk_rows_row", "\"row\" between 1 and 9999 and season between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_trunk_rows_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "card_issues",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    prescription_id = table.Column<Guid>(type: "uuid", nullable: false),
                    language = table.Column<string>(type: "character varying(5)", maxLength: 5, nullable: false),
                    card = table.Column<string>(type: "text", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_card_issues", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_card_issues_issued_prescriptions_estate_id_prescription_id",
                        columns: x => new { x.estate_id, x.prescription_id },
                        principalTable: "issued_prescriptions",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "counted_trees",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    tree = table.Column<int>(type: "integer", nullable: false),
                    line = table.Column<int>(type: "integer", nullable: false),
                    limbs = table.Column<int>(type: "integer", nullable: true),
                    floral_buds = table.Column<int>(type: "integer", nullable: true),
                    buds = table.Column<int>(type: "integer", nullable: true),
                    details = table.Column<string>(type: "json", nullable: true),
                    field_entry_id = table.Column<Guid>(type: "uuid", nullable: true),
                    girth_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    girth_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_counted_trees", x => new { x.estate_id, x.planting_id, x.season, x.row, x.tree });
                    table.CheckConstraint("ck_counted_trees_counts", "coalesce(limbs, 0) >= 0 and coalesce(floral_buds, 0) >= 0 and coalesce(buds, 0) >= 0");
                    table.ForeignKey(
                        name: "fk_counted_trees_season_plans_estate_id_planting_id_season",
                        columns: x => new { x.estate_id, x.planting_id, x.season },
                        principalTable: "season_plans",
                        principalColumns: new[] { "estate_id", "planting_id", "season" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_blocks_estate_id_code",
                table: "blocks",
                columns: new[] { "estate_id", "code" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_blocks_estate_id_site_id",
                table: "blocks",
                columns: new[] { "estate_id", "site_id" });

            migrationBuilder.CreateIndex(
                name: "ix_card_issues_estate_id_prescription_id_at",
                table: "card_issues",
                columns: new[] { "estate_id", "prescription_id", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_changes_estate_id_planting_id_id",
                table: "changes",
                columns: new[] { "estate_id", "planting_id", "id" });

            migrationBuilder.CreateIndex(
                name: "ix_field_entries_estate_id_planting_id_season",
                table: "field_entries",
                columns: new[] { "estate_id", "planting_id", "season" });

            migrationBuilder.CreateIndex(
                name: "ix_issued_prescriptions_estate_id_planting_id_season_number",
                table: "issued_prescriptions",
                columns: new[] { "estate_id", "planting_id", "season", "number" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_memberships_person_id",
                table: "memberships",
                column: "person_id");

            migrationBuilder.CreateIndex(
                name: "EmailIndex",
                table: "people",
                column: "normalized_email");

            migrationBuilder.CreateIndex(
                name: "UserNameIndex",
                table: "people",
                column: "normalized_user_name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_person_claims_user_id",
                table: "person_claims",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_person_logins_user_id",
                table: "person_logins",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_photos_estate_id_planting_id_season",
                table: "photos",
                columns: new[] { "estate_id", "planting_id", "season" });

            migrationBuilder.CreateIndex(
                name: "ix_plantings_estate_id_block_id",
                table: "plantings",
                columns: new[] { "estate_id", "block_id" });

            migrationBuilder.CreateIndex(
                name: "ix_plantings_estate_id_code",
                table: "plantings",
                columns: new[] { "estate_id", "code" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_practice_runs_estate_id_planting_id_at",
                table: "practice_runs",
                columns: new[] { "estate_id", "planting_id", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_practice_runs_estate_id_worker_id",
                table: "practice_runs",
                columns: new[] { "estate_id", "worker_id" });

            migrationBuilder.CreateIndex(
                name: "ix_sites_estate_id_name",
                table: "sites",
                columns: new[] { "estate_id", "name" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_target_versions_estate_id_planting_id_season_id",
                table: "target_versions",
                columns: new[] { "estate_id", "planting_id", "season", "id" });

            migrationBuilder.CreateIndex(
                name: "ix_workers_name",
                table: "workers",
                columns: new[] { "estate_id", "name_key" },
                unique: true);

            migrationBuilder.Prepare();
            migrationBuilder.Open("people", "person_claims", "person_logins", "person_tokens", "data_protection_keys");
            migrationBuilder.OpenByEstate(
                "blocks",
                "card_issues",
                "counted_trees",
                "field_entries",
                "issued_prescriptions",
                "own_price_lists",
                "own_rootstocks",
                "own_systems",
                "own_varieties",
                "photos",
                "planting_rows",
                "plantings",
                "practice_runs",
                "row_lines",
                "scan_rows",
                "season_plans",
                "season_results",
                "sites",
                "trunk_rows",
                "weather_days",
                "workers");
            // The history and the targets set are written once.
            migrationBuilder.OpenWhere("changes", "estate_id = rama_estate()", rights: "select, insert");
            migrationBuilder.OpenWhere("target_versions", "estate_id = rama_estate()", rights: "select, insert");
            migrationBuilder.OpenWhere("batches", "estate_id = rama_estate()", rights: "select, insert, update");
            // Signing in asks which estates a person belongs to before one is chosen.
            migrationBuilder.OpenWhere("memberships", "estate_id = rama_estate() or person_id = rama_person()");
            migrationBuilder.OpenWhere(
                "estates",
                "id = rama_estate() or exists (select 1 from memberships m "
                    + "where m.estate_id = estates.id and m.person_id = rama_person())");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
