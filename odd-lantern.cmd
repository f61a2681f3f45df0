@echo off
setlocal DisableDelayedExpansion
rem Builds the command on its first use, then runs it. To build it anew, delete dist\target.
set "here=%~dp0"
set "command=%here%dist\target\odd-lantern\odd-lantern\bin\odd-lantern.cmd"
if exist "%command%" goto run
where mvn >nul 2>nul
if errorlevel 1 goto missing
echo odd-lantern: building, on first use; this takes some minutes, for Maven fetches what it needs 1>&2
pushd "%here%"
call mvn -B -ntp -q package -pl dist -am -DskipTests -Down.tests.skip=true -Dspotless.check.skip -Dmaven.javadoc.skip -Dmaven.source.skip -Dwith.sources=false -Djacoco.skip -Derrorprone.main=-XDplain -Derrorprone.test=-XDplain 1>&2
set "status=%errorlevel%"
popd
if not "%status%"=="0" goto failed

:run
rem not called, since that would read the arguments a second time; it ends with its own status
"%command%" %*

:missing
echo odd-lantern: no Maven found: install Maven 3.8.1 or newer and put 'mvn' on the PATH 1>&2
exit /b 2

:failed
echo odd-lantern: the build failed 1>&2
exit /b 2
