// The window in another language: every word of it, and nothing left behind.

#include "language/language.h"
#include "log/log_workspace.h"
#include "window.h"
#include "wording/wording.h"

#include <QAbstractButton>
#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QProcess>
#include <QPushButton>
#include <QRegularExpression>
#include <QSettings>
#include <QTableView>
#include <QTranslator>
#include <QXmlStreamReader>

using namespace brumefall;
using namespace brumefall::app;

namespace {

/// Marks whatever is put into another language.
class Marking : public QTranslator {
public:
    QString translate(
        const char* /*context*/, const char* english, const char* /*said*/, int /*n*/) const override
    {
        return QStringLiteral("\u00a7") + QString::fromUtf8(english);
    }
    [[nodiscard]] bool isEmpty() const override { return false; }
};

/// Whose texts are the crew's own: names, and the next note as it is said.
bool isOwn(const QWidget* widget)
{
    static const QStringList kOwn{QStringLiteral("stageTitle"), QStringLiteral("passChoice"),
        QStringLiteral("nextNote"), QStringLiteral("rallyName")};
    return kOwn.contains(widget->objectName());
}

/// Texts on the screen in `place` that no language was asked for.
QStringList untranslated(QWidget* place)
{
    QStringList out;
    const auto look = [&](const QWidget* widget, const QString& text) {
        static const QRegularExpression words(QStringLiteral("[A-Za-z]{3,}"));
        if (text.contains(words) && !text.contains(QChar(0xa7))) {
            out << widget->objectName() + QStringLiteral(": ") + text;
        }
    };
    for (const QWidget* widget : place->findChildren<QWidget*>()) {
        if (!widget->isVisible() || isOwn(widget)) {
            continue;
        }
        look(widget, widget->toolTip());
        look(widget, widget->accessibleName());
        if (const auto* label = qobject_cast<const QLabel*>(widget)) {
            look(widget, label->text());
        } else if (const auto* button = qobject_cast<const QAbstractButton*>(widget)) {
            look(widget, button->text());
        } else if (const auto* box = qobject_cast<const QComboBox*>(widget)) {
            for (int i = 0; i < box->count(); ++i) {
                look(widget, box->itemText(i));
            }
        } else if (const auto* table = qobject_cast<const QTableView*>(widget)) {
            for (int i = 0; table->model() != nullptr && i < table->model()->columnCount(); ++i) {
                look(widget, table->model()->headerData(i, Qt::Horizontal).toString());
            }
        }
    }
    return out;
}

/// The chosen language, spoken while this lives.
class Spoken {
public:
    Spoken() { loadLanguage(*static_cast<QApplication*>(QApplication::instance())); }
    Spoken(const Spoken&) = delete;
    Spoken& operator=(const Spoken&) = delete;
    ~Spoken()
    {
        for (QTranslator* translator :
            qApp->findChildren<QTranslator*>(QString(), Qt::FindDirectChildrenOnly)) {
            delete translator;
        }
        wording::speak({});
    }
};

class LanguageTest : public support::Window {
protected:
    void SetUp() override { }
    bool saysSomewhere(const QString& words)
    {
        const auto labels = window_->findChildren<QLabel*>();
        return std::any_of(labels.begin(), labels.end(),
            [&](const QLabel* label) { return label->isVisible() && label->text().contains(words); });
    }
    static bool saysInTable(const QTableView& table, const QString& words)
    {
        const auto* model = table.model();
        for (int row = 0; row < model->rowCount(); ++row) {
            for (int column = 0; column < model->columnCount(); ++column) {
                if (model->index(row, column).data().toString().contains(words)) {
                    return true;
                }
            }
        }
        return false;
    }
    void TearDown() override
    {
        window_.reset();
        wording::speak({});
        QSettings().remove(QStringLiteral("language"));
    }
};

struct Message {
    QString source;
    QStringList words;
    bool finished = true;
};

std::vector<Message> messagesOf(const QString& path)
{
    std::vector<Message> out;
    QFile file(path);
    EXPECT_TRUE(file.open(QIODevice::ReadOnly)) << path.toStdString();
    QXmlStreamReader xml(&file);
    while (!xml.atEnd()) {
        xml.readNext();
        if (!xml.isStartElement()) {
            continue;
        }
        if (xml.name() == QLatin1String("message")) {
            out.emplace_back();
        } else if (xml.name() == QLatin1String("source")) {
            out.back().source = xml.readElementText();
        } else if (xml.name() == QLatin1String("translation")) {
            out.back().finished = !xml.attributes().hasAttribute(QStringLiteral("type"));
            out.back().words.clear();
            for (const QString& form : xml.readElementText(QXmlStreamReader::IncludeChildElements)
                                           .split(QChar::LineFeed, Qt::SkipEmptyParts)) {
                if (!form.trimmed().isEmpty()) {
                    out.back().words << form.trimmed();
                }
            }
        }
    }
    EXPECT_FALSE(xml.hasError()) << xml.errorString().toStdString();
    return out;
}

} // namespace

TEST_F(LanguageTest, EveryTextOfEveryWorkspaceIsAskedForInTheUsersLanguage)
{
    Marking marking;
    QApplication::installTranslator(&marking);
    wording::speak([](const char* context, const char* english) {
        return QCoreApplication::translate(context, english).toStdString();
    });
    Window::SetUp();
    openDemo();
    for (int workspace = 0; workspace < 6; ++workspace) {
        window_->showWorkspace(static_cast<MainWindow::Workspace>(workspace));
        for (int panel = 0; panel < 7; ++panel) {
            if (panel > 0) {
                press(Qt::Key_1 + panel - 1, Qt::AltModifier);
            }
            QTest::qWait(150);
            const QStringList found = untranslated(window_.get());
            EXPECT_TRUE(found.isEmpty()) << "workspace " << workspace << ", panel " << panel << ":\n"
                                         << found.join(QLatin1Char('\n')).toStdString();
        }
    }
    window_.reset();
    QApplication::removeTranslator(&marking);
}

TEST_F(LanguageTest, GermanHasWordsForEverythingThatTheSourcesSay)
{
    const support::ScratchFolder made;
    const QString folder = QString::fromStdString(made.path().string());
    for (const char* file : {"brumefall_de.ts", "brumefall_en.ts"}) {
        ASSERT_TRUE(QFile::copy(QStringLiteral(TRANSLATIONS_FOLDER "/") + QLatin1String(file),
            folder + QLatin1Char('/') + QLatin1String(file)));
    }
    QProcess scan;
    scan.start(QStringLiteral(TRANSLATIONS_FOLDER "/../scripts/translate"), {folder});
    ASSERT_TRUE(scan.waitForFinished(60000));
    ASSERT_EQ(scan.exitCode(), 0) << scan.readAllStandardError().toStdString();
    static const QRegularExpression place(QStringLiteral("%(\\d|n)"));
    const auto places = [](const QString& text) {
        QStringList found;
        for (auto at = place.globalMatch(text); at.hasNext();) {
            found << at.next().captured();
        }
        found.sort();
        return found;
    };
    const auto german = messagesOf(folder + QStringLiteral("/brumefall_de.ts"));
    EXPECT_GT(german.size(), 1000U);
    for (const Message& message : german) {
        ASSERT_FALSE(message.words.isEmpty()) << message.source.toStdString();
        EXPECT_TRUE(message.finished) << message.source.toStdString();
        const bool plural = message.source.contains(QStringLiteral("%n"));
        for (const QString& words :
            plural ? message.words : QStringList{message.words.join(QLatin1Char('\n'))}) {
            EXPECT_EQ(places(words).join(QLatin1Char(' ')).toStdString(),
                places(message.source).join(QLatin1Char(' ')).toStdString())
                << message.source.toStdString();
        }
    }
    for (const Message& message : messagesOf(folder + QStringLiteral("/brumefall_en.ts"))) {
        EXPECT_TRUE(message.finished && message.words.size() == 2) << message.source.toStdString();
    }
}

TEST_F(LanguageTest, TheChosenLanguageIsSpokenFromTheNextStartOn)
{
    Window::SetUp();
    EXPECT_EQ(find<QAction>("language_de")->text(), QStringLiteral("Deutsch"));
    find<QAction>("language_de")->trigger();
    EXPECT_TRUE(message().contains(QStringLiteral("next start"))) << message().toStdString();
    window_.reset();
    std::filesystem::remove_all(stage_);

    const Spoken german;
    Window::SetUp();
    openDemo();
    EXPECT_TRUE(find<QPushButton>("tabNotes")->text().startsWith(QStringLiteral("Aufschrieb")));
    window_->showWorkspace(MainWindow::kPlan);
    EXPECT_TRUE(waitFor([&] { return saysSomewhere(QStringLiteral("rechtzeitig")); }, 3000));
    window_->showWorkspace(MainWindow::kReview); // a verdict is the core's own words
    const auto* verdicts = find<QTableView>("verdictTable");
    ASSERT_GT(verdicts->model()->rowCount(), 0);
    EXPECT_TRUE(waitFor([&] { return saysInTable(*verdicts, QStringLiteral("zu sp\u00e4t")); }, 3000));
}

TEST_F(LanguageTest, OneIsNotMany)
{
    QSettings().setValue(QStringLiteral("language"), QStringLiteral("en"));
    const Spoken english;
    EXPECT_EQ(
        QCoreApplication::translate("brumefall::app::ExportDialog", "%n page(s).", nullptr, 1).toStdString(),
        "1 page.");
    EXPECT_EQ(
        QCoreApplication::translate("brumefall::app::ExportDialog", "%n page(s).", nullptr, 7).toStdString(),
        "7 pages.");
}
